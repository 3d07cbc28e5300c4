<?php

declare(strict_types=1);

namespace App\Problems;

use RuntimeException;

/** Something the caller can understand and act on; rendered as RFC 9457 `application/problem+json`. */
final class Problem extends RuntimeException
{
    /**
     * @param list<array{pointer: string, detail: string}> $errors
     * @param array<string, mixed> $more  further members of the problem document
     */
    private function __construct(
        public readonly int $status,
        public readonly string $kind,
        public readonly string $title,
        string $detail,
        public readonly array $errors = [],
        public readonly array $more = [],
    ) {
        parent::__construct($detail);
    }

    public static function field(string $field, string $detail): self
    {
        return new self(422, 'invalid', 'Something needs another look', $detail, [
            ['pointer' => self::pointer($field), 'detail' => $detail],
        ]);
    }

    public static function refused(string $detail): self
    {
        return new self(403, 'refused', 'Not yours to do', $detail);
    }

    public static function missing(string $detail): self
    {
        return new self(404, 'missing', 'Not here', $detail);
    }

    public static function conflict(string $detail): self
    {
        return new self(409, 'conflict', 'That clashes with something', $detail);
    }

    public static function unversioned(): self
    {
        return new self(
            428,
            'version-needed',
            'Which version was that?',
            'Send If-Match with the ETag you last read, so that nobody’s work is overwritten.',
        );
    }

    /** @param array<string, mixed> $current */
    public static function outdated(array $current): self
    {
        return new self(
            412,
            'outdated',
            'Someone else was faster',
            'This was changed by someone else while you were editing. Your text is still here; compare it with what is saved now, then save again.',
            [],
            ['current' => $current],
        );
    }

    public static function repeatedDifferently(): self
    {
        return new self(
            409,
            'key-reused',
            'That key was used for something else',
            'This Idempotency-Key has already been used for a different request. Use a new key for a new request.',
        );
    }

    /** "products.0.zone" as the JSON pointer "/products/0/zone". */
    public static function pointer(string $field): string
    {
        return $field === ''
            ? ''
            : '/' .
                    implode(
                        '/',
                        array_map(
                            static fn(string $part): string => strtr($part, ['~' => '~0', '/' => '~1']),
                            explode('.', $field),
                        ),
                    );
    }
}
