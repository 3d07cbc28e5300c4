<?php

declare(strict_types=1);

namespace Tests\Operations;

use PHPUnit\Framework\TestCase;

/** What an operator lives through: services that die, a start that is killed, a backup with no room for it. */
final class RunningTest extends TestCase
{
    private static ?Installation $here = null;

    public static function tearDownAfterClass(): void
    {
        self::$here?->stop();
        self::$here = null;
    }

    public function testAServiceThatDiesIsStartedAgain(): void
    {
        $here = self::here();
        foreach (['nginx', 'fpm', 'queue', 'queue-long', 'scheduler', 'postgres'] as $service) {
            $file =
                $service === 'postgres'
                    ? "{$here->folder}/var/pg/postmaster.pid"
                    : "{$here->folder}/var/run/pids/{$service}";
            $before = (int) file_get_contents($file);
            $here->kill($service);
            // Between two looks the file may be gone.
            $again = $here->within(
                90,
                static fn(): ?bool => !in_array((int) @file_get_contents($file), [0, $before], true) && $here->answers()
                    ? true
                    : null,
            );
            self::assertTrue($again, "{$service} came back");
        }
        self::assertStringContainsString(
            'PostgreSQL ended',
            (string) file_get_contents("{$here->folder}/var/log/restarts.log"),
        );
    }

    public function testAStartThatWasKilledLeavesNothingInTheWay(): void
    {
        $here = self::here();
        posix_kill($here->pid(), SIGKILL);
        // At once, while what it left behind is still about.
        self::assertTrue($here->start(), $here->said());
        posix_kill($here->pid(), SIGKILL);
        self::assertTrue(
            $here->within(60, static fn(): ?bool => $here->answers() ? null : true),
            'Without its start nothing goes on, PostgreSQL neither.',
        );
        self::assertTrue($here->start(), $here->said());
    }

    public function testADemoThatWasNotLoadedToItsEndIsTakenAwayAndNothingElse(): void
    {
        $here = self::here();
        $here->database('create table kept (n int)');
        $restart = static function () use ($here): ?string {
            $here->stop();
            self::assertTrue($here->start(), $here->said());

            return $here->database("select coalesce(to_regclass('public.kept')::text, 'gone')");
        };
        self::assertSame('kept', $restart());
        $here->database("comment on database vicissa is 'half a demo'");
        self::assertSame('gone', $restart());
    }

    public function testABackupSaysSavedOnlyWhenItIs(): void
    {
        $here = self::here();
        $backup = static fn(string $to): array => $here->run('bin/backup ' . escapeshellarg($to));
        mkdir("{$here->folder}/var/storage/photos/a", 0777, true);
        file_put_contents("{$here->folder}/var/storage/photos/a/one.jpg", random_bytes(2000));
        $file = "{$here->folder}/saved";
        [$code, $says] = $backup($file);
        self::assertSame(0, $code, $says);
        self::assertMatchesRegularExpression('/Saved to .* \d+ tables, 1 photos, read back\./', $says);
        $good = hash_file('sha256', $file);

        foreach (
            ["{$here->folder}/nowhere/saved" => 'is not there', '/proc/saved' => 'Nothing was saved']
            as $to => $why
        ) {
            [$code, $says] = $backup($to);
            self::assertNotSame(0, $code, $to);
            self::assertStringContainsString($why, $says);
            self::assertStringNotContainsString('Saved to', $says);
        }
        // No room: what is written over the limit of a file's size fails as on a full disk.
        [$code, $says] = $here->run('trap "" XFSZ; ulimit -f 8; bin/backup ' . escapeshellarg($file));
        self::assertNotSame(0, $code, $says);
        self::assertStringNotContainsString('Saved to', $says);
        self::assertSame($good, hash_file('sha256', $file), 'The one before still stands.');
        self::assertSame([], glob("{$file}.part*"), 'Nothing half-written stays.');
    }

    public function testWhatIsMissingIsSaidInOneSentenceAtOnce(): void
    {
        $here = self::here();
        mkdir("{$here->folder}/old");
        file_put_contents("{$here->folder}/old/node", "#!/bin/sh\necho 18.1.0\n");
        chmod("{$here->folder}/old/node", 0755);
        [$code, $says] = $here->run('PATH=' . escapeshellarg("{$here->folder}/old") . ':$PATH bin/start');
        self::assertSame(1, $code);
        self::assertStringContainsString('Node.js 20.19 or newer is needed; this one is 18.1.0.', $says);
        self::assertStringNotContainsString("\n", $says);
    }

    private static function here(): Installation
    {
        if (self::$here === null) {
            self::$here = Installation::fresh('a long day');
            self::assertTrue(self::$here->start(), self::$here->said());
        }

        return self::$here;
    }
}
