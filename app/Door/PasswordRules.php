<?php

declare(strict_types=1);

namespace App\Door;

use App\Says\Teller;
use Closure;
use Illuminate\Contracts\Validation\DataAwareRule;
use Illuminate\Contracts\Validation\ValidationRule;

/**
 * Length before everything else; what everybody takes is refused, also with the usual figures and signs about it: the
 * words of `resources/passwords/common.txt`, rows of keys, repetitions, and one's own name or address.
 */
final class PasswordRules implements DataAwareRule, ValidationRule
{
    public const LEAST = 12;

    private const LEET = [
        '0' => 'o',
        '1' => 'i',
        '3' => 'e',
        '4' => 'a',
        '5' => 's',
        '7' => 't',
        '8' => 'b',
        '@' => 'a',
        '$' => 's',
        '!' => 'i',
    ];

    private const ROWS = [
        'qwertyuiop',
        'asdfghjkl',
        'zxcvbnm',
        'qwertzuiop',
        'yxcvbnm',
        'azertyuiop',
        'abcdefghijklmnopqrstuvwxyz',
        '01234567890123456789',
        '1qaz2wsx3edc4rfv5tgb6yhn7ujm',
    ];

    /** @var array<string, mixed> */
    private array $data = [];

    /** @param list<string> $own  what the person is called, where the form does not say */
    public function __construct(private readonly array $own = []) {}

    /** @param array<string, mixed> $data */
    public function setData(array $data): self
    {
        $this->data = $data;

        return $this;
    }

    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        $teller = Teller::here();
        if (!is_string($value) || mb_strlen($value) < self::LEAST) {
            $fail($teller->say('door.password-short', least: self::LEAST));

            return;
        }
        if (self::isCommon($value, [...$this->own, ...$this->names()])) {
            $fail($teller->say('door.password-common'));
        }
    }

    /** @param list<string> $own */
    public static function isCommon(string $password, array $own = []): bool
    {
        // Figures stand for letters in the middle of a word, and for themselves behind it.
        return self::saysLittle(mb_strtolower($password), $own) || self::saysLittle(self::bare($password), $own);
    }

    /** @param list<string> $own */
    private static function saysLittle(string $bare, array $own): bool
    {
        // What is left when words that everybody takes, rows of keys and one's own names are taken out.
        $rest = $bare;
        foreach ($own as $name) {
            foreach (preg_split('/[^\p{L}\p{N}]+/u', mb_strtolower($name)) ?: [] as $part) {
                $rest = mb_strlen($part) >= 3 ? str_replace(self::bare($part), '', $rest) : $rest;
            }
        }
        foreach (self::words() as $word) {
            $rest = str_replace($word, '', $rest);
        }
        $rest = (string) preg_replace('/(.)\1{2,}/u', '$1', $rest);
        foreach (self::ROWS as $row) {
            foreach ([$row, strrev($row)] as $keys) {
                for ($length = min(12, strlen($keys)); $length >= 4; $length--) {
                    for ($at = 0; $at + $length <= strlen($keys); $at++) {
                        $rest = str_replace(substr($keys, $at, $length), '', $rest);
                    }
                }
            }
        }
        $letters = (string) preg_replace('/[^\p{L}]+/u', '', $rest);

        // Years, figures and signs are what people put behind; a repetition says nothing new.
        return mb_strlen($letters) < 5 || count(array_unique(mb_str_split($letters))) < 4;
    }

    private static function bare(string $text): string
    {
        return strtr(mb_strtolower($text), self::LEET);
    }

    /** @return list<string> the longest first */
    private static function words(): array
    {
        static $words = null;
        if ($words === null) {
            $words = array_map(
                self::bare(...),
                file(resource_path('passwords/common.txt'), FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [],
            );
            usort($words, static fn(string $a, string $b): int => strlen($b) <=> strlen($a));
        }

        /** @var list<string> */
        return $words;
    }

    /** @return list<string> */
    private function names(): array
    {
        return array_values(
            array_filter(
                array_map(fn(string $field): mixed => $this->data[$field] ?? null, ['name', 'email', 'workspace']),
                is_string(...),
            ),
        );
    }
}
