<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Units\Hardness;

/** `hardness`: one hardness of water in every unit that reports and test strips use. */
final readonly class HardnessModel implements Model
{
    public function name(): string
    {
        return 'hardness';
    }

    /** @return Told<'ReckonHardness'> */
    public function reckon(Input $input): array
    {
        $mgL = self::read($input, 'text') ?? throw $input->wrong('text', Said::of('input.text-missing'));

        return [
            'mg_l' => $mgL,
            'ppm' => $mgL / Hardness::PartsPerMillion->mgL(),
            'dh' => $mgL / Hardness::German->mgL(),
            'fh' => $mgL / Hardness::French->mgL(),
            'e' => $mgL / Hardness::English->mgL(),
            'gpg' => $mgL / Hardness::Grains->mgL(),
        ];
    }

    /**
     * mg/l of CaCO₃ as a field says it; a bare number is in the field `unit`, or mg/l. Null where nothing is said.
     *
     * @throws InvalidInput
     */
    public static function read(Input $input, string $field): ?float
    {
        if (!$input->has($field)) {
            return null;
        }
        $unit = $input->textOrNull('unit');
        $usual = $unit === null ? Hardness::MilligramsPerLitre : Hardness::named($unit);
        if ($usual === null) {
            throw $input->wrong('unit', Said::of('input.water-hardness'));
        }
        try {
            return $usual->read($input->text($field));
        } catch (InvalidInput $e) {
            throw $input->wrong($field, $e->says);
        }
    }
}
