<?php

declare(strict_types=1);

namespace Tests\Browser\Drive;

use Tests\Browser\BrowserTestCase;
use Tests\Browser\WorksSheets;

/** Wet hands: done begins what comes next, steps are spoken, a headset's key moves on. Voice and keys are stand-ins. */
final class HandsFreeTest extends BrowserTestCase
{
    use WorksSheets;

    protected array $size = [390, 844];

    public function testDoneBeginsTheNextAndUndoTakesBothBack(): void
    {
        $this->signIn('tam@marram-sedge.example');
        $this->begin('Bakery van', ['wash', 'inspection']);
        $begun = 0;
        $read = [];
        // What can hurt is read, what has to be decided is; all else begins with the step before done.
        for ($steps = 0; $steps < 6; $steps++) {
            $name = $this->step();
            array_push($read, ...$this->understand());
            if (!$this->begins()) {
                $begun++;
                $this->press('Begin');
                $this->until(fn(): bool => $this->act() === 'Done');
            }
            usleep(300_000);
            $this->press('Done');
            $this->until(fn(): bool => $this->step() !== $name);
            usleep(300_000);
        }
        self::assertLessThanOrEqual(2, $begun, 'Steps begin by themselves.');
        self::assertSame(array_unique($read), $read, 'What was read once is not read again.');
        self::assertNotSame([], $read);
        $now = $this->step();
        if ($this->act() === 'Done') {
            $this->press('Undo');
            $this->until(fn(): bool => $this->step() !== $now, 'The step before is open again.');
            self::assertSame('Done', $this->act());
        }
        // Whoever wants to begin each step says so, and this phone remembers it.
        $this->press('How this phone works along');
        $this->press('Done begins the next');
        $this->press('Large gloves');
        $this->assertAccessible('A step for large gloves');
        self::assertGreaterThanOrEqual(
            88,
            $this->see('//article//button[normalize-space(.) = "Done" or normalize-space(.) = "Begin"]')
                ->getSize()
                ->getHeight(),
        );
        if ($this->act() === 'Begin') {
            $this->understand();
            usleep(800_000);
            $this->press('Begin');
            $this->until(fn(): bool => $this->act() === 'Done');
        }
        $this->press('Done');
        $this->until(fn(): bool => $this->act() !== 'Done', 'The next waits for its own tap.');
        $this->assertQuietConsole();
        $this->giveUp();
    }

    public function testAHeadsetGoesThroughTheVisitAndTheStepsAreSpoken(): void
    {
        self::tell($this->browser, 'Page.addScriptToEvaluateOnNewDocument', [
            'source' => <<<'JS'
            (() => {
                const spoken = (globalThis.spoken = [])
                const keys = (globalThis.mediaKeys = {})
                const voices = [
                    { name: 'Far', lang: 'en-GB', localService: false },
                    { name: 'Near', lang: 'en-GB', localService: true },
                ]
                globalThis.SpeechSynthesisUtterance = class { constructor(text) { this.text = text } }
                const speech = { getVoices: () => voices, cancel() {}, addEventListener() {}, removeEventListener() {},
                    speak: (one) => spoken.push([one.voice?.name, one.text]) }
                Object.defineProperty(globalThis, 'speechSynthesis', { value: speech })
                const session = { metadata: null, setActionHandler: (key, does) => (keys[key] = does) }
                Object.defineProperty(navigator, 'mediaSession', { value: session })
                HTMLMediaElement.prototype.play = () => Promise.resolve()
            })()
            JS
        ,
        ]);
        $this->signIn('tam@marram-sedge.example');
        $this->begin('Bakery van', ['wash', 'inspection']);
        $this->press('How this phone works along');
        $this->press('Hands-free');
        $this->seeText('“Near”');
        $name = $this->step();
        $this->until(fn(): bool => str_contains($this->spoken(), $name), 'The step is spoken.');
        self::assertStringNotContainsString('Far', $this->spoken(), 'Only by a voice of this phone.');
        $this->assertAccessible('A step to be read from afar');
        // What can hurt is said before the first press counts.
        $presses = 0;
        for (; $presses < 12 && $this->step() === $name; $presses++) {
            $this->key('nexttrack');
            usleep(250_000);
        }
        self::assertNotSame($name, $this->step(), 'The key has gone through the step.');
        $this->until(fn(): bool => str_contains($this->spoken(), $this->step()), 'So is the next.');
        $this->key('pause');
        $this->seeText('The visit stands still.');
        $this->key('nexttrack');
        $this->until(fn(): bool => !str_contains($this->browser->getPageSource(), 'The visit stands still.'));
        $this->assertQuietConsole();
        $this->browser->executeScript('localStorage.removeItem("sheet-hands-free")');
        $this->giveUp();
    }

    /** @return list<string> what there was to read */
    private function understand(): array
    {
        /** @var list<string> $read */
        $read = $this->browser->executeScript(
            <<<'JS'
            const all = [...document.querySelectorAll('article button')].filter((one) => one.textContent.trim() === 'Understood')
            const says = all.map((one) => one.closest('li').querySelector('span').textContent)
            all.forEach((one) => one.click())
            return says
            JS
            ,
        );
        usleep(400_000);

        return $read;
    }

    /** Whether it begins by itself within a moment. */
    private function begins(): bool
    {
        for ($i = 0; $i < 12 && $this->act() !== 'Done'; $i++) {
            usleep(150_000);
        }

        return $this->act() === 'Done';
    }

    private function step(): string
    {
        return (string) $this->see('//article[@aria-label]')->getAttribute('aria-label');
    }

    private function act(): string
    {
        return trim(
            (string) $this->browser->executeScript('return document.querySelector("article .act")?.textContent ?? ""'),
        );
    }

    private function spoken(): string
    {
        return (string) json_encode($this->browser->executeScript('return globalThis.spoken'), JSON_UNESCAPED_UNICODE);
    }

    private function key(string $key): void
    {
        $this->browser->executeScript('globalThis.mediaKeys[arguments[0]]?.()', [$key]);
    }

    /** Nobody goes on with it. */
    private function giveUp(): void
    {
        $this->until(
            fn(): bool => $this->browser->executeScript(
                'return !document.body.textContent.includes("to be sent") && !document.body.textContent.includes("No signal")',
            ),
        );
        $this->ask(
            "await call('DELETE', `sheets/\${given[0]}`)",
            basename((string) parse_url($this->browser->getCurrentURL(), PHP_URL_PATH)),
        );
    }
}
