<?php

declare(strict_types=1);

namespace Tests\Browser\Desk;

use App\Door\TimedCode;
use Tests\Browser\BrowserTestCase;

/** One's own account at the desk, and what stays on a phone that somebody signs out of. */
final class AccountTest extends BrowserTestCase
{
    public function testACodeBesideThePasswordIsSetUpAskedForAndTakenAway(): void
    {
        $email = $this->somebody();
        $this->visit('/workspace/account');
        $this->seeText('Where you are signed in');
        $this->assertAccessible('Your account');
        $form = '//section[.//h2[normalize-space(.) = "A code beside the password"]]';
        $this->see("{$form}//input")->sendKeys('sea-pink-tide');
        $this->press('Set it up');
        $secret = str_replace(' ', '', $this->see("{$form}//code")->getText());
        $this->assertAccessible('Setting up a code');
        $this->see("{$form}//input")->sendKeys(self::code($secret));
        $this->press('Ask for codes from now on');
        $kept = $this->see('(//ul[contains(@class, "codes")]//code)[1]')->getText();
        $this->click($this->see('//button[@aria-label = "Sign out"]'));

        $this->field('E-mail')->sendKeys($email);
        $this->field('Password')->sendKeys('sea-pink-tide');
        $this->press('Sign in');
        $this->seeText('A code of your authenticator app is needed');
        $this->assertAccessible('Sign in with a code');
        // The one that was just used is not good again; one that was kept is.
        $this->field('Code')->sendKeys($kept);
        $this->press('Sign in');
        $this->see('//nav[@aria-label = "Places"]');
        $this->visit('/workspace/trail');
        $this->seeText('Codes of an app are asked for');
        $this->assertAccessible('Sign-ins');
        $this->assertQuietConsole('status of 422');
    }

    public function testWhoSignsOutLeavesNothingReadableAndFindsTheirsAgain(): void
    {
        $email = $this->somebody();
        $this->visit('/');
        $this->see('//nav[@aria-label = "Places"]');
        // Something that could not be sent, with a picture, as the driveway leaves it.
        $this->browser->executeAsyncScript(
            <<<'JS'
            const done = arguments[0]
            const open = indexedDB.open('vicissa')
            open.onsuccess = () => {
              const tx = open.result.transaction(['errands', 'photos', 'facts'], 'readwrite')
              const me = tx.objectStore('facts').get('me')
              me.onsuccess = () => {
                tx.objectStore('errands').add({ key: crypto.randomUUID(), sheet: 'a', vehicle: 'b', kind: 'finish', user: me.result.id, body: { note: 'a secret of the driveway' }, refused: 'Not today.' })
                tx.objectStore('photos').put({ id: 'p', sheet: 'a', vehicle: 'b', zone: 'paint', stage: 'before', takenAt: '2026-11-25T09:00:00Z', blob: new Blob(['a secret picture'], { type: 'image/jpeg' }) })
              }
              tx.oncomplete = () => { open.result.close(); localStorage.setItem('turn-2-x', 'a secret draft'); done() }
            }
            JS
            ,
        );
        $this->click($this->see('//button[@aria-label = "Sign out"]'));
        $this->field('Password');
        $kept = $this->onTheDevice();
        self::assertStringNotContainsString('secret', $kept, 'nothing of it can be read');
        self::assertStringContainsString('sealed', $kept, 'and it is there');
        $this->signIn($email);
        $this->visit('/');
        $this->see('//header//*[contains(., "1 not taken")]');
        self::assertStringContainsString('a secret of the driveway', $this->onTheDevice());
        self::assertStringContainsString('a secret picture', $this->onTheDevice());
    }

    /** A new business of somebody's own, signed in. */
    private function somebody(): string
    {
        $email = 'isa-' . bin2hex(random_bytes(5)) . '@example.test';
        $this->visit('/up');
        $this->see('//p');
        $this->ask(
            <<<'JS'
            await fetch('/sanctum/csrf-cookie')
            await call('POST', 'auth/register', { name: 'Isa Merrick', workspace: 'Merrick', email: given[0], password: 'sea-pink-tide', time_zone: 'UTC' })
            JS
            ,
            $email,
        );

        return $email;
    }

    /** All that is kept, as text. */
    private function onTheDevice(): string
    {
        return (string) $this->browser->executeAsyncScript(
            <<<'JS'
            const done = arguments[0]
            const open = indexedDB.open('vicissa')
            open.onsuccess = async () => {
              const names = [...open.result.objectStoreNames]
              const tx = open.result.transaction(names)
              const all = {}
              await Promise.all(names.map((name) => new Promise((ready) => {
                const asked = tx.objectStore(name).getAll()
                asked.onsuccess = () => { all[name] = asked.result; ready() }
              })))
              open.result.close()
              const photos = await Promise.all(all.photos.map((one) => one.blob.text()))
              const sealed = all.sealed.map((one) => 'sealed ' + new TextDecoder('latin1').decode(one.sealed))
              done(JSON.stringify([all.errands, all.events, all.facts, all.sheets, photos, sealed, { ...localStorage }]))
            }
            JS
            ,
        );
    }

    /** As an app reckons it from the letters it was given. */
    private static function code(string $letters): string
    {
        $bits = '';
        foreach (str_split($letters) as $letter) {
            $bits .= str_pad(decbin((int) strpos('ABCDEFGHIJKLMNOPQRSTUVWXYZ234567', $letter)), 5, '0', STR_PAD_LEFT);
        }
        $secret = implode(
            '',
            array_map(static fn(string $byte): string => chr((int) bindec($byte)), str_split($bits, 8)),
        );

        return TimedCode::at($secret, intdiv(time(), TimedCode::STEP_S));
    }
}
