<?php

declare(strict_types=1);

namespace Tests\Browser\Drive;

use Tests\Browser\BrowserTestCase;

/** A client asked about a day, on their own phone, without an account: another day, please; or none. */
final class AnswerTest extends BrowserTestCase
{
    public function testAClientAsksForAnotherDayAndTheOwnerTakesItInHand(): void
    {
        $this->signIn('rhona@marram-sedge.example');
        $this->visit('/weeks');
        $this->see('//button[contains(@class, "mark")]');
        /** @var list<string> $links */
        $links = $this->ask(
            <<<'JS'
            const weeks = await call('GET', 'weeks')
            const late = weeks.visits.filter((one) => one.on > weeks.start).map((one) => one.id)
            await call('POST', 'weeks/proposals', { visits: late.slice(-12) })
            const letters = (await call('GET', 'messages')).data
            return letters.map((one) => one.body.match(/\/answer\/[0-9a-f-]+\/[0-9a-f]+/)?.[0]).filter(Boolean)
            JS
            ,
        );
        self::assertGreaterThan(1, count($links));
        $desk = $this->browser;
        $this->browser = self::cleared(390, 844);
        try {
            $this->visit($links[1]);
            $this->seeText('What was done last time');
            $this->press('Cancel this visit');
            $this->assertAccessible('A visit about to be cancelled');
            $this->press('Yes, cancel it');
            $this->seeText('You cancelled this visit');
            $this->visit($links[0]);
            $this->seeText('That day is fine');
            $this->assertAccessible('A day a client is asked about');
            $this->press('Another day, please');
            $this->field('Anything to say')->sendKeys('We are on the mainland');
            $this->press('Ask for another day');
            $this->seeText('You asked for another day');
            $this->assertQuietConsole();
        } finally {
            $this->browser = $desk;
        }
        $this->visit('/weeks');
        $this->see('//li[contains(., "We are on the mainland")]');
        $this->press('Take it in hand');
        $this->seeText('the client asks for another day');
        $this->assertQuietConsole();
    }
}
