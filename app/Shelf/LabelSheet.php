<?php

declare(strict_types=1);

namespace App\Shelf;

use Dompdf\Dompdf;
use Dompdf\Options;

/** Bottle labels as PDF: name, dilution, date mixed, caution; a page for each, in its own small size. */
final class LabelSheet
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

    /**
     * @param "small"|"medium"|"large" $size
     * @param list<array{name: string, dilution: string, mixed_on: string, caution?: string|null, copies?: int}> $labels
     */
    public function pdf(string $size, array $labels): string
    {
        $pages = '';
        foreach ($labels as $label) {
            $pages .= str_repeat($this->label($label, $this->fitting($size, $label)), $label['copies'] ?? 1);
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
            $this->rendered($size, $this->label($label, $points))->getCanvas()->get_page_count() > 1;
            $try++
        ) {
            $points *= self::SMALLER;
        }

        return $points;
    }

    /** @param array{name: string, dilution: string, mixed_on: string, caution?: string|null, copies?: int} $label */
    private function label(array $label, float $points): string
    {
        return sprintf(
            '<div class="label"><h1 style="font-size:%1$.2Fpt">%2$s</h1><p class="mix" style="font-size:%1$.2Fpt">%3$s</p><p style="font-size:%4$.2Fpt">mixed %5$s</p><p style="font-size:%4$.2Fpt">%6$s</p></div>',
            $points,
            e($label['name']),
            e($label['dilution']),
            0.66 * $points,
            e($label['mixed_on']),
            ($label['caution'] ?? '') === '' ? '' : '! ' . e($label['caution'] ?? ''),
        );
    }

    private function rendered(string $size, string $pages): Dompdf
    {
        [$width, $height] = self::SIZES[$size];
        $pdf = new Dompdf(
            new Options([
                'isRemoteEnabled' => false,
                'isPhpEnabled' => false,
                'isJavascriptEnabled' => false,
                'defaultFont' => 'DejaVu Sans',
                'tempDir' => sys_get_temp_dir(),
                'fontCache' => sys_get_temp_dir(),
            ]),
        );
        $pdf->loadHtml(
            <<<HTML
            <html><head><meta charset="utf-8"><style>
            @page { margin: 1.5mm 2.5mm; }
            body { font-family: "DejaVu Sans"; margin: 0; color: #111; }
            .label + .label { page-break-before: always; }
            h1 { line-height: 1.05; margin: 0 0 1mm; border-bottom: 0.4mm solid #111; padding-bottom: 0.6mm; }
            p { line-height: 1.15; margin: 0 0 0.6mm; }
            .mix { font-weight: bold; }
            </style></head><body>{$pages}</body></html>
            HTML
            ,
        );
        $pdf->setPaper([0, 0, $width * self::POINTS_PER_MM, $height * self::POINTS_PER_MM]);
        $pdf->render();

        return $pdf;
    }
}
