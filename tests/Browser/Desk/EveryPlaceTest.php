<?php

declare(strict_types=1);

namespace Tests\Browser\Desk;

use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Browser\BrowserTestCase;

/** Every place on the narrowest screen, with letters twice as large, in colours that somebody else chose, and still. */
final class EveryPlaceTest extends BrowserTestCase
{
    private const PLACES = [
        '/',
        '/start',
        '/round',
        '/round/load',
        '/weeks',
        '/weeks/setup',
        '/bench',
        '/bench/mix',
        '/bench/gauge',
        '/bench/water',
        '/bench/drill',
        '/book',
        '/book?tab=clients',
        '/book?tab=sites',
        '/book/files',
        '/book/money',
        '/book/prices',
        '/book/quotes',
        '/shelf',
        '/shelf/new',
        '/shelf/gear',
        '/shelf/fit',
        '/shelf/files',
        '/proof',
        '/proof/year',
        '/workspace',
        '/workspace/schools',
        '/workspace/numbers',
        '/workspace/archive',
        '/workspace/account',
        '/workspace/trail',
        '/words',
    ];

    /** @return iterable<string, array{int, int, list<array{name: string, value: string}>, string}> */
    public static function looks(): iterable
    {
        yield '320 wide, still' => [320, 640, [['name' => 'prefers-reduced-motion', 'value' => 'reduce']], '100%'];
        yield 'letters twice as large, colours of one’s own' => [
            1280,
            800,
            [['name' => 'forced-colors', 'value' => 'active']],
            '200%',
        ];
    }

    /** @param list<array{name: string, value: string}> $features */
    #[DataProvider('looks')]
    public function testNothingIsCutOffAndEachSaysWhereOneIs(
        int $width,
        int $height,
        array $features,
        string $text,
    ): void {
        $this->browser = self::cleared($width, $height);
        self::tell($this->browser, 'Emulation.setEmulatedMedia', ['features' => $features]);
        self::tell($this->browser, 'Emulation.setDeviceMetricsOverride', [
            'width' => $width,
            'height' => $height,
            'deviceScaleFactor' => 1,
            'mobile' => false,
        ]);
        $this->signIn('rhona@marram-sedge.example');
        $faults = [];
        foreach (self::PLACES as $place) {
            $this->visit($place);
            $this->see('//h1');
            $this->browser->executeScript('document.documentElement.style.fontSize = arguments[0]', [$text]);
            $this->until(
                fn(): bool => $this->browser->executeScript(
                    'return !document.querySelector("main p.quiet[role=status]") && document.querySelector("main").innerText.length > 40',
                ),
                "{$place} is drawn.",
            );
            $over = $this->browser->executeScript(
                <<<'JS'
                const wide = document.documentElement.clientWidth
                if (document.documentElement.scrollWidth <= wide + 1) return null
                const out = [...document.querySelectorAll('main *')]
                    .filter((one) => one.getBoundingClientRect().right > wide + 1 && !one.closest('.scroll, [data-scrolls], svg'))
                return `${document.documentElement.scrollWidth} of ${wide}: ` +
                    out.slice(0, 3).map((one) => `${one.tagName}.${one.className} ${one.textContent.trim().slice(0, 30)}`).join(' | ')
                JS
                ,
            );
            if ($over !== null) {
                $faults[$place] = $over;
            }
        }
        self::tell($this->browser, 'Emulation.clearDeviceMetricsOverride');
        self::tell($this->browser, 'Emulation.setEmulatedMedia', ['features' => []]);
        self::assertSame([], $faults);
    }
}
