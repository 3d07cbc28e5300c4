<?php

declare(strict_types=1);

namespace App\Money;

use Illuminate\Support\Collection;

/** What is asked for each kind of a visit, by body; a programme's own price before the one for all. */
final readonly class PriceList
{
    public const KINDS = ['wash', 'topper', 'decon', 'inspection', 'base'];

    /** @param Collection<int, Price> $prices */
    private function __construct(private Collection $prices) {}

    public static function read(): self
    {
        return new self(Price::query()->get()->toBase());
    }

    /** @return array<string, int|null> minor units by kind; null where the list says nothing */
    public function of(?string $programme, string $body): array
    {
        $of = [];
        foreach (self::KINDS as $kind) {
            $here = $this->prices->where('body', $body)->where('kind', $kind);
            $of[$kind] = (
                $here->firstWhere('programme_id', $programme) ?? $here->firstWhere('programme_id', null)
            )?->minor;
        }

        return $of;
    }

    /**
     * @param list<string> $kinds
     * @return array{minor: int, unlisted: int} what is listed of a visit, in minor units, and how much of it is not
     */
    public function sum(?string $programme, string $body, array $kinds): array
    {
        $of = array_intersect_key($this->of($programme, $body), array_flip($kinds));
        $listed = array_filter($of, is_int(...));

        return ['minor' => array_sum($listed), 'unlisted' => count($kinds) - count($listed)];
    }
}
