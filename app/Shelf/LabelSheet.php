<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Print\Paper;
use App\Says\Teller;
use Dompdf\Dompdf;
use Illuminate\Contracts\View\Factory;

/** Bottle labels as PDF: name, dilution, date mixed, caution; a page for each, in its own small size. */
final readonly class LabelSheet
{
    private const POINTS_PER_MM = 72 / 25.4;

    /** Width and height in mm, and the usual size of the name in points. */
    private const SIZES = ['small' => [50, 25, 9.0], 'medium' => [70, 37, 12.0], 'large' => [100, 60, 18.0]];

    /**
     * Each try sets everything so much smaller; after the last even the longest texts allowed stand on the smallest
     * label.
     */
    private const SMALLER = 0.88;

    private const TRIES = 12;

    public function __construct(private Factory $views) {}

    /**
     * @param "small"|"medium"|"large" $size
     * @param list<array{name: string, dilution: string, mixed_on: string, caution?: string|null, copies?: int}> $labels
     */
    public function pdf(string $size, array $labels): string
    {
        $pages = $fits = [];
        foreach ($labels as $label) {
            $copies = $label['copies'] ?? 1;
            unset($label['copies']);
            $fits[serialize($label)] ??= $this->fitting($size, $label);
            array_push($pages, ...array_fill(0, $copies, [$label, $fits[serialize($label)]]));
        }

        return (string) $this->rendered($size, $pages)->output();
    }

    /**
     * The size of the name, in points, at which all of it stands on one label: set and looked at, since only the
     * typesetter knows.
     *
     * @param array{name: string, dilution: string, mixed_on: string, caution?: string|null, copies?: int} $label
     */
    private function fitting(string $size, array $label): float
    {
        $points = self::SIZES[$size][2];
        for (
            $try = 0;
            $try < self::TRIES &&
            $this->rendered($size, [[$label, $points]])
                ->getCanvas()
                ->get_page_count() > 1;
            $try++
        ) {
            $points *= self::SMALLER;
        }

        return $points;
    }

    /**
     * @param list<array{array{name: string, dilution: string, mixed_on: string, caution?: string|null, copies?: int},
     *     float}> $pages  labels, each with the size of its name in points
     */
    private function rendered(string $size, array $pages): Dompdf
    {
        [$width, $height] = self::SIZES[$size];
        return Paper::set(
            $this->views->make('print.labels', ['pages' => $pages, 'say' => Teller::here()->say(...)])->render(),
            [0.0, 0.0, $width * self::POINTS_PER_MM, $height * self::POINTS_PER_MM],
        );
    }
}
