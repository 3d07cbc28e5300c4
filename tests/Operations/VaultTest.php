<?php

declare(strict_types=1);

namespace Tests\Operations;

use PHPUnit\Framework\TestCase;

/** Back to any moment, out of a vault that nobody else can read, and a drill that finds out when that would not work. */
final class VaultTest extends TestCase
{
    private static ?Installation $here = null;

    private static string $vault;

    public static function setUpBeforeClass(): void
    {
        self::$here = Installation::fresh('a vault', [
            'VICISSA_VAULT' => '"${VICISSA_VAR%/*}/the vault"',
            'VICISSA_VAULT_KEY' => 'of-a-long-key-the-end',
        ]);
        self::$vault = self::$here->folder . '/the vault';
        self::assertTrue(self::$here->start(), self::$here->said());
    }

    public static function tearDownAfterClass(): void
    {
        self::$here?->stop();
        self::$here = null;
    }

    public function testWhatWasThereAtAMomentComesBackAndNothingThatCameAfterIt(): void
    {
        $here = self::here();
        self::assertSame('true', $here->within(180, fn(): ?string => $this->well('base')), $this->log());
        $photo = "{$here->folder}/var/storage/photos/w/one.jpg";
        @mkdir(dirname($photo), 0777, true);
        file_put_contents($photo, 'the-dew-on-the-bonnet');
        $here->database("create table kept as select 'the-wash-of-that-morning' as what");
        [$code, $says] = $here->run('bin/vault now');
        self::assertSame(0, $code, $says);
        sleep(2);
        $moment = date('Y-m-d H:i:s T');
        sleep(2);
        unlink($photo);
        $here->database("insert into kept values ('of the afternoon')");

        [$code, $says] = $here->run('bin/restore --at ' . escapeshellarg($moment) . ' --yes');
        self::assertSame(1, $code, 'Not while it runs.');
        self::assertStringContainsString('stop it first', $says);
        $here->stop();
        [$code, $says] = $here->run('bin/restore --at 2031-01-01 --yes');
        self::assertSame(1, $code, $says);
        self::assertStringContainsString('still to come', $says);
        [$code, $says] = $here->run('bin/restore --at ' . escapeshellarg($moment) . ' --yes');
        self::assertSame(0, $code, $says);
        self::assertTrue($here->start(), $here->said());
        self::assertSame('the-wash-of-that-morning', $here->database("select string_agg(what, ',') from kept"));
        self::assertSame('the-dew-on-the-bonnet', file_get_contents($photo));
        self::assertNotSame([], glob("{$here->folder}/var/before-*/pg"), 'What was there is kept beside.');

        [$code] = $here->run(
            "grep -rqE 'the-dew-on-the-bonnet|the-wash-of-that-morning' " . escapeshellarg(self::$vault),
        );
        self::assertSame(1, $code, 'Nobody reads the vault without its key.');
    }

    public function testTheDrillBringsAllOfItBackAndSaysWhenItCouldNot(): void
    {
        $here = self::here();
        // By itself after the first base; two at a time there are never.
        self::assertSame('true', $here->within(180, fn(): ?string => $this->well('drill')), $this->log());
        // Somebody was killed over the photos, and their lock lies there.
        $photos = escapeshellarg(self::$vault . '/photos');
        [, $locks] = $here->run(
            "sleep 60 2>/dev/null | restic --no-cache -q -r {$photos} -p \"\$VICISSA_VAR/vault/key\" backup --stdin >/dev/null 2>&1 & p=\$!;" .
                " for i in \$(seq 200); do [ -n \"\$(ls -A {$photos}/locks)\" ] && break; sleep 0.2; done;" .
                " kill -9 \$p; ls -A {$photos}/locks",
        );
        self::assertNotSame('', $locks);
        [$code, $says] = $here->run('bin/restore --check');
        self::assertSame(0, $code, $says);
        self::assertMatchesRegularExpression('/Brought back and compared: \d\d tables, \d+ rows, 0 photos/', $says);

        // One change of the past, four bytes of it, that no base has in it any more.
        [, $changes] = $here->run(
            "find '" . self::$vault . "/database/archive' -name '0*.zst' -size +1k | sort | head -1",
        );
        self::assertFileExists($changes);
        $was = (string) file_get_contents($changes);
        file_put_contents($changes, substr_replace($was, 'rust', 700, 4));
        [$code, $says] = $here->run('bin/restore --check');
        self::assertSame(1, $code, $says);
        self::assertStringContainsString('not what was put there', $says);
        file_put_contents($changes, $was);

        $pack = glob(self::$vault . '/photos/data/*/*') ?: [];
        self::assertNotSame([], $pack);
        chmod($pack[0], 0600);
        file_put_contents($pack[0], substr_replace((string) file_get_contents($pack[0]), 'rust', 20, 4));
        [$code, $says] = $here->run('bin/restore --check');
        self::assertSame(1, $code, $says);
        self::assertStringContainsString('Photos in the vault are damaged', $says);
        self::assertDirectoryDoesNotExist("{$here->folder}/var/scratch");
    }

    public function testAnotherDatabaseNeverGetsIntoAVault(): void
    {
        $other = Installation::fresh('another', [
            'VICISSA_VAULT' => '"' . self::$vault . '"',
            'VICISSA_VAULT_KEY' => 'of-a-long-key-the-end',
        ]);
        self::assertFalse($other->start());
        self::assertStringContainsString('it may be of another database', $other->said());
        self::assertNull($other->database('select 1'), 'Nothing goes on that was begun for it.');
    }

    private function well(string $kind): ?string
    {
        $note = @file_get_contents(self::here()->folder . "/var/storage/vault/{$kind}.json");

        return $note === false ? null : var_export(json_decode($note, true)['ok'] ?? null, true);
    }

    private function log(): string
    {
        return (string) file_get_contents(self::here()->folder . '/var/log/vault.log');
    }

    private static function here(): Installation
    {
        return self::$here ?? self::fail('It did not start.');
    }
}
