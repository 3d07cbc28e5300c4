<?php

declare(strict_types=1);

namespace Tests\Browser\Desk;

use Tests\Browser\BrowserTestCase;

/**
 * Every place for whoever hears it, sees little of it or sees it otherwise: axe, in the dark as well where forms and
 * tables are; on the narrowest screen; with letters twice as large, in colours of one's own, without movement.
 */
final class EveryPlaceTest extends BrowserTestCase
{
    private const PLACES = [
        '/book' => 'Hearse',
        '/book?tab=clients' => 'Isles Mobile Library',
        '/book?tab=sites' => 'Ferry yard',
        '/shelf' => 'Vell Citron',
        '/shelf/new' => 'As the label says',
        '/shelf/fit' => 'Vell Citron',
        '/shelf/files' => 'Take the shelf along',
        '/bench' => 'Ruled out here',
        '/bench/mix' => 'Dilution',
        '/bench/water' => 'How the chain stands',
        '/shelf/gear' => 'Short lance',
        '/round' => 'Sheets',
        '/proof' => 'Were we right?',
        '/workspace/schools' => 'Each side meets the paint once',
        '/workspace' => 'Tam Ostrey',
        '/start' => 'What vehicle?',
        '/words' => 'elsewhere: work order',
        '/nowhere' => 'leads nowhere',
    ];

    /** What other tests hear, or what is drawn more than written. */
    private const ONLY_SEEN = [
        '/' => 'Film',
        '/round/load' => 'Into the van',
        '/weeks' => 'visits in eight weeks',
        '/weeks/setup' => 'Who works when',
        '/bench/gauge' => 'Bead gauge',
        '/bench/drill' => 'How you stand',
        '/book/files' => 'Book: import and export',
        '/book/money' => 'Closed visits for the accounts',
        '/book/prices' => 'What is asked',
        '/book/quotes' => 'Quotes',
        '/proof/year' => 'A year ahead',
        '/workspace/numbers' => 'Advanced settings',
        '/workspace/archive' => 'Export or import everything',
        '/workspace/account' => 'Your account',
        '/workspace/trail' => 'Sign-ins',
    ];

    public function testEveryPlaceIsSoundForEverybody(): void
    {
        $this->signIn('rhona@marram-sedge.example');
        $this->atFilm();
        $cut = [];
        foreach ([...self::PLACES, ...self::ONLY_SEEN] as $path => $text) {
            $this->visit($path);
            $this->see('//h1');
            $this->seeText($text);
            if (isset(self::PLACES[$path])) {
                $this->assertAccessible($path);
                $this->browser->executeScript('document.documentElement.dataset.theme = "dark"');
                // Another theme is other colours, nothing else.
                $this->assertAccessible("{$path} in the dark", 'color-contrast');
            }
            $this->looks(320, 640, 'prefers-reduced-motion', 'reduce', '100%');
            $cut["{$path} at 320"] = $this->cutOff();
            $this->looks(1280, 800, 'forced-colors', 'active', '200%');
            $cut["{$path} twice as large"] = $this->cutOff();
            self::tell($this->browser, 'Emulation.clearDeviceMetricsOverride');
            self::tell($this->browser, 'Emulation.setEmulatedMedia', ['features' => []]);
        }
        self::assertSame([], array_filter($cut));
        $this->visit('/book?tab=sites');
        $this->press('Ferry yard');
        $this->field('Rules of the gate');
        $this->assertAccessible('A place in its drawer');
        $this->assertQuietConsole();
    }

    private function looks(int $width, int $height, string $feature, string $value, string $letters): void
    {
        self::tell($this->browser, 'Emulation.setEmulatedMedia', [
            'features' => [['name' => $feature, 'value' => $value]],
        ]);
        self::tell($this->browser, 'Emulation.setDeviceMetricsOverride', [
            'width' => $width,
            'height' => $height,
            'deviceScaleFactor' => 1,
            'mobile' => false,
        ]);
        $this->browser->executeScript('document.documentElement.style.fontSize = arguments[0]', [$letters]);
        usleep(150_000);
    }

    /** What lies beyond the right edge, where nothing scrolls by itself. */
    private function cutOff(): ?string
    {
        return $this->browser->executeScript(
            <<<'JS'
            const wide = document.documentElement.clientWidth
            if (document.documentElement.scrollWidth <= wide + 1) return null
            const out = [...document.querySelectorAll('main *')]
                .filter((one) => one.getBoundingClientRect().right > wide + 1 && !one.closest('.scroll, svg'))
            return `${document.documentElement.scrollWidth} of ${wide}: ` +
                out.slice(0, 3).map((one) => `${one.tagName}.${one.className} ${one.textContent.trim().slice(0, 30)}`).join(' | ')
            JS
            ,
        );
    }
}
