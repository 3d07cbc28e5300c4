<?php

declare(strict_types=1);

namespace App\Print;

use Dompdf\Dompdf;
use Dompdf\Options;
use Illuminate\Contracts\View\Factory;

/**
 * A4 pages in the product's own hand: a heavy rule under the head, quiet lines, tabular figures. Nothing is fetched
 * from anywhere.
 */
final readonly class Paper
{
    public function __construct(private Factory $views) {}

    public function pdf(
        string $title,
        string $body,
        string $foot,
        string $page = '{PAGE_NUM} of {PAGE_COUNT}',
        string $language = 'en',
    ): string {
        $pdf = self::set(
            $this->views->make('print.page', ['title' => $title, 'body' => $body, 'language' => $language])->render(),
            'A4',
        );
        $canvas = $pdf->getCanvas();
        $font = (string) $pdf->getFontMetrics()->getFont('DejaVu Sans');
        $canvas->page_text(48, 806, $foot, $font, 7, [0.33, 0.38, 0.37]);
        $canvas->page_text(500, 806, $page, $font, 7, [0.33, 0.38, 0.37]);

        return (string) $pdf->output();
    }

    /**
     * A page as it is set; nothing is fetched from anywhere.
     *
     * @param string|array{float, float, float, float} $size  a name, or a box in points
     */
    public static function set(string $html, string|array $size): Dompdf
    {
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
        $pdf->loadHtml($html);
        $pdf->setPaper($size);
        $pdf->render();

        return $pdf;
    }

    /** A drawing that stands in a page. */
    public static function svg(string $drawing, float $widthMm, float $heightMm): string
    {
        return sprintf(
            '<img style="width:%.1Fmm;height:%.1Fmm" src="data:image/svg+xml;base64,%s">',
            $widthMm,
            $heightMm,
            base64_encode($drawing),
        );
    }
}
