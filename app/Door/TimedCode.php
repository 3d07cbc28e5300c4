<?php

declare(strict_types=1);

namespace App\Door;

/**
 * Codes of an authenticator app: RFC 6238 (TOTP) over RFC 4226 (HOTP), SHA-1, six digits, thirty seconds, as all such
 * apps take them. Base 32 is RFC 4648's, without a table that is read by a secret's value: arithmetic on each five bits
 * takes the same time whatever they are.
 */
final class TimedCode
{
    public const STEP_S = 30;

    private const DIGITS = 6;

    /** A phone's clock may be this many steps off. */
    private const OFF = 1;

    /** A fresh secret, 160 bits as RFC 4226 §4 recommends. */
    public static function secret(): string
    {
        return random_bytes(20);
    }

    public static function at(string $secret, int $step, int $digits = self::DIGITS): string
    {
        $hash = hash_hmac('sha1', pack('J', $step), $secret, true);
        $from = ord($hash[19]) & 15;
        /** @var array{1: int} $word */
        $word = unpack('N', substr($hash, $from, 4));

        return str_pad((string) (($word[1] & 0x7fffffff) % 10 ** $digits), $digits, '0', STR_PAD_LEFT);
    }

    /**
     * @param int $after  the step of the last code that was taken: it, and older ones, are not good again
     * @return int|null the code's step; null when it is none
     */
    public static function step(string $secret, string $code, int $now, int $after): ?int
    {
        $found = null;
        for ($step = intdiv($now, self::STEP_S) - self::OFF; $step <= intdiv($now, self::STEP_S) + self::OFF; $step++) {
            // All are looked at, so that it takes as long whichever it is.
            if (hash_equals(self::at($secret, $step), $code) && $step > $after) {
                $found = $step;
            }
        }

        return $found;
    }

    /** RFC 4648 §6 without padding. */
    public static function base32(string $bytes): string
    {
        $text = '';
        $bits = $left = 0;
        foreach (str_split($bytes) as $byte) {
            $bits = ($bits << 8) | ord($byte);
            for ($left += 8; $left >= 5; ) {
                $left -= 5;
                $text .= self::letter(($bits >> $left) & 31);
            }
            $bits &= (1 << $left) - 1;
        }

        return $left > 0 ? $text . self::letter(($bits << (5 - $left)) & 31) : $text;
    }

    /** What an app reads, as a link or as the squares of a code. */
    public static function link(string $secret, string $issuer, string $account): string
    {
        return 'otpauth://totp/' .
            rawurlencode("{$issuer}:{$account}") .
            '?' .
            http_build_query(
                ['secret' => self::base32($secret), 'issuer' => $issuer],
                encoding_type: PHP_QUERY_RFC3986,
            );
    }

    /** 0–25 as A–Z, 26–31 as 2–7, without asking which it is. */
    private static function letter(int $five): string
    {
        return chr(65 + $five - (((25 - $five) >> 8) & 41));
    }
}
