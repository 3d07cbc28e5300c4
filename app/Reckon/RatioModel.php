<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Mix\AmbiguousDilution;
use Vicissa\Core\Mix\DilutionReader;
use Vicissa\Core\Mix\InMeans;
use Vicissa\Core\Mix\InvalidDilution;

/** `ratio`: a dilution as people write it. */
final readonly class RatioModel implements Model
{
    public function name(): string
    {
        return 'ratio';
    }

    /** @return Told<'ReckonRatio'>|Told<'ReckonFault'> */
    public function reckon(Input $input): array
    {
        $reader = new DilutionReader(
            $input->numberOrNull('cap_ml'),
            $input->numberOrNull('pump_ml'),
            $input->choiceOrNull('in_means', InMeans::class),
        );
        $fill = $input->numberOrNull('fill_ml');
        if ($fill !== null) {
            InvalidInput::unlessBetween('fill_ml', $fill, 0.1, 1e7, 'ml');
        }
        try {
            $dilution = $reader->read($input->text('text'));
        } catch (AmbiguousDilution $e) {
            return ['error' => 'ambiguous', 'message' => $e->says];
        } catch (InvalidDilution $e) {
            return ['error' => 'invalid', 'field' => 'text', 'message' => $e->says];
        }

        return [
            'share' => $dilution->share,
            ...$fill === null ? [] : $dilution->fill($fill),
            'read_as' => $dilution->readAs,
        ];
    }
}
