<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\Matching\Circumstances;
use Vicissa\Core\Matching\Finish;
use Vicissa\Core\Matching\Purpose;
use Vicissa\Core\Matching\Remark;
use Vicissa\Core\Matching\Surface;
use Vicissa\Core\Matching\Verdict;
use Vicissa\Core\Matching\Water;
use Vicissa\Core\Matching\WheelFinish;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Protection\Family;

/** `verdict`: one product on one zone, now. */
final readonly class VerdictModel implements Model
{
    public function name(): string
    {
        return 'verdict';
    }

    /** @return Told<'ReckonVerdict'> */
    public function reckon(Input $input): array
    {
        $product = $input->object('product');
        $context = $input->object('context');
        $verdict = Verdict::of(
            ShelfReading::traits($product),
            new Surface(
                $input->choice('zone', Zone::class),
                $input->choice('layer', Family::class),
                $input->choices('finish', Finish::class),
                $context->choiceOrNull('wheel_finish', WheelFinish::class),
            ),
            new Circumstances(
                panelC: $context->numberOrNull('panel_c'),
                workingS: $context->numberOrNull('working_s'),
                water: $context->choice('water', Water::class),
                purpose: $context->choice('purpose', Purpose::class),
                bareFace: $context->flag('bare_face'),
                inStock: $context->flag('in_stock'),
            ),
        );

        return [
            'allowed' => $verdict->allowed(),
            'codes' => array_map(
                static fn(Remark $remark): array => [
                    'code' => $remark->code->value,
                    'severity' => $remark->severity->value,
                ],
                $verdict->remarks,
            ),
        ];
    }
}
