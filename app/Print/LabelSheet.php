<?php

declare(strict_types=1);

namespace App\Print;

use Dompdf\Dompdf;
use Dompdf\Options;

/** Bottle labels as PDF: name, dilution, date mixed, caution; a page for each, in its own small size. */
final class LabelSheet
{
    private const POINTS_PER_MM = 72 / 25.4;

    /** Width, height, and the size of the name, in mm and points. */
    private const SIZES = ['small' => [50, 25, 9], 'medium' => [70, 37, 12], 'large' => [100, 60, 18]];

    /**
     * @param "small"|"medium"|"large" $size
     * @param list<array{name: string, dilution: string, mixed_on: string, caution?: string|null, copies?: int}> $labels
     */
    public function pdf(string $size, array $labels): string
    {
        [$width, $height, $points] = self::SIZES[$size];
        $pages = '';
        foreach ($labels as $label) {
            $caution = ($label['caution'] ?? '') === '' ? '' : '<p class="care">! '.e($label['caution'] ?? '').'</p>';
            $pages .= str_repeat(sprintf('<div class="label"><h1>%s</h1><p class="mix">%s</p>%s<p class="on">mixed %s</p></div>', e($label['name']), e($label['dilution']), $caution, e($label['mixed_on'])), $label['copies'] ?? 1);
        }
        $small = max(6, round(0.62 * $points));
        $options = new Options(['isRemoteEnabled' => false, 'isPhpEnabled' => false, 'isJavascriptEnabled' => false, 'defaultFont' => 'DejaVu Sans', 'tempDir' => sys_get_temp_dir()]);
        $pdf = new Dompdf($options);
        $pdf->loadHtml(<<<HTML
            <html><head><meta charset="utf-8"><style>
            @page { margin: 2mm 2.5mm; }
            body { font-family: "DejaVu Sans"; margin: 0; color: #111; }
            .label { page-break-after: always; }
            .label:last-child { page-break-after: auto; }
            h1 { font-size: {$points}pt; line-height: 1.05; margin: 0 0 1mm; border-bottom: 0.4mm solid #111; padding-bottom: 0.6mm; }
            p { font-size: {$small}pt; line-height: 1.15; margin: 0 0 0.6mm; }
            .mix { font-size: {$points}pt; font-weight: bold; }
            .on { color: #333; }
            </style></head><body>{$pages}</body></html>
            HTML);
        $pdf->setPaper([0, 0, $width * self::POINTS_PER_MM, $height * self::POINTS_PER_MM]);
        $pdf->render();

        return (string) $pdf->output();
    }
}
