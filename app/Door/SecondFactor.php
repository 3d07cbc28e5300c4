<?php

declare(strict_types=1);

namespace App\Door;

use App\Tenancy\User;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Psr\Clock\ClockInterface;

/** What somebody has beside what they know: codes of an app, and a few that are good once each when it is lost. */
final readonly class SecondFactor
{
    private const CODES = 8;

    public function __construct(private ClockInterface $clock) {}

    public static function has(User $user): bool
    {
        return $user->second_since !== null;
    }

    /** Begins anew; it counts once a code of it has come back. */
    public function begin(User $user): string
    {
        $secret = TimedCode::secret();
        $user->forceFill(['second_secret' => Crypt::encryptString($secret), 'second_step' => 0])->save();

        return $secret;
    }

    /** @return list<string>|null codes for when the app is lost, shown once; null when the code is none */
    public function confirm(User $user, string $code): ?array
    {
        return DB::transaction(function () use ($user, $code): ?array {
            if (!$this->isTimed($user, $code)) {
                return null;
            }
            $user->forceFill(['second_since' => $this->clock->now()])->save();
            DB::table('recovery_codes')->where('user_id', $user->id)->delete();
            $codes = [];
            for ($i = 0; $i < self::CODES; $i++) {
                // 50 bits each, in letters that nobody takes for another.
                $codes[] = strtolower(implode('-', str_split(substr(TimedCode::base32(random_bytes(7)), 0, 10), 5)));
            }
            DB::table('recovery_codes')->insert(
                array_map(
                    static fn(string $one): array => [
                        'id' => Str::uuid7()->toString(),
                        'user_id' => $user->id,
                        'hash' => self::hash($one),
                    ],
                    $codes,
                ),
            );

            return $codes;
        });
    }

    public function end(User $user): void
    {
        $user->forceFill(['second_secret' => null, 'second_since' => null, 'second_step' => 0])->save();
        DB::table('recovery_codes')->where('user_id', $user->id)->delete();
    }

    /** Takes a code of the app or one for when it is lost; either is good once. */
    public function accepts(User $user, string $code): bool
    {
        $code = strtolower(trim(str_replace(' ', '', $code)));

        return preg_match('/^\d{6}$/', $code) === 1
            ? $this->isTimed($user, $code)
            : DB::table('recovery_codes')
                    ->where('user_id', $user->id)
                    ->where('hash', self::hash($code))
                    ->whereNull('used_at')
                    ->update(['used_at' => $this->clock->now()]) === 1;
    }

    public static function left(User $user): int
    {
        return DB::table('recovery_codes')->where('user_id', $user->id)->whereNull('used_at')->count();
    }

    private function isTimed(User $user, string $code): bool
    {
        $step =
            $user->second_secret === null
                ? null
                : TimedCode::step(
                    Crypt::decryptString($user->second_secret),
                    trim($code),
                    $this->clock->now()->getTimestamp(),
                    $user->second_step,
                );

        // Two who bring the same code at once: one of them is late.
        return $step !== null &&
            User::query()
                ->whereKey($user->id)
                ->where('second_step', '<', $step)
                ->update(['second_step' => $step]) === 1;
    }

    private static function hash(string $code): string
    {
        return hash('sha256', str_replace('-', '', $code));
    }
}
