<?php

declare(strict_types=1);

namespace App\Problems;

use RuntimeException;
use Vicissa\Core\Says\Said;

/** Something the caller can understand and act on; rendered as RFC 9457 `application/problem+json`. */
final class Problem extends RuntimeException
{
    public const BEING_LAID = 'being-laid';

    /**
     * @param list<array{pointer: string, detail: Said}> $errors
     * @param array<string, mixed> $more  further members of the problem document
     * @param array<string, string> $headers
     */
    private function __construct(
        public readonly int $status,
        public readonly string $kind,
        public readonly Said $title,
        public readonly Said $detail,
        public readonly array $errors = [],
        public readonly array $more = [],
        public readonly array $headers = [],
    ) {
        parent::__construct($detail->code);
    }

    public static function field(string $field, Said $detail): self
    {
        return new self(422, 'invalid', Said::of('problem.invalid'), $detail, [
            ['pointer' => self::pointer($field), 'detail' => $detail],
        ]);
    }

    public static function refused(Said $detail): self
    {
        return new self(403, 'refused', Said::of('problem.refused'), $detail);
    }

    public static function missing(Said $detail): self
    {
        return new self(404, 'missing', Said::of('problem.missing'), $detail);
    }

    public static function conflict(Said $detail): self
    {
        return new self(409, 'conflict', Said::of('problem.conflict'), $detail);
    }

    /** @param array<string, mixed> $current  what one goes on with */
    public static function goesOn(Said $detail, array $current): self
    {
        return new self(409, 'goes-on', Said::of('problem.goes-on'), $detail, [], ['current' => $current]);
    }

    public static function misdirected(): self
    {
        return new self(421, 'misdirected', Said::of('problem.misdirected'), Said::of('problem.not-our-name'));
    }

    /** @param array<string, string> $headers */
    public static function spent(Said $detail, array $headers): self
    {
        return new self(429, 'slow-down', Said::of('problem.too-often'), $detail, [], [], $headers);
    }

    public static function busy(): self
    {
        return new self(
            503,
            'busy',
            Said::of('problem.back-soon'),
            Said::of('problem.busy'),
            [],
            [],
            ['Retry-After' => '2'],
        );
    }

    public static function large(int $mostKb): self
    {
        return new self(
            413,
            'too-large',
            Said::of('problem.too-large'),
            Said::of('problem.at-most-kb', most: $mostKb),
            [],
            ['most_kb' => $mostKb],
        );
    }

    /** It is not refused for what it says, but for what it asks. */
    public static function dear(Said $detail): self
    {
        return new self(413, 'too-dear', Said::of('problem.too-dear'), $detail);
    }

    /** It will be there in a while; whoever asks again is told sooner (App\Weeks\LayAhead). */
    public static function beingLaid(int $laid, int $of): self
    {
        return new self(
            503,
            self::BEING_LAID,
            Said::of('problem.back-soon'),
            Said::of('problem.being-laid', laid: $laid, of: $of),
            [],
            [],
            ['Retry-After' => '3'],
        );
    }

    public static function beingWeighed(): self
    {
        return new self(
            503,
            'being-weighed',
            Said::of('problem.back-soon'),
            Said::of('problem.being-weighed'),
            [],
            [],
            ['Retry-After' => '5'],
        );
    }

    public static function unversioned(): self
    {
        return new self(428, 'version-needed', Said::of('problem.which-version'), Said::of('problem.send-if-match'));
    }

    /** @param array<string, mixed> $current */
    public static function outdated(array $current): self
    {
        return new self(
            412,
            'outdated',
            Said::of('problem.outdated'),
            Said::of('problem.changed-meanwhile'),
            [],
            ['current' => $current],
        );
    }

    public static function repeatedDifferently(): self
    {
        return new self(409, 'key-reused', Said::of('problem.key-reused'), Said::of('problem.key-used'));
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
