<?php

declare(strict_types=1);

namespace App\Reckon;

use Vicissa\Core\Protection\Behaviour;
use Vicissa\Core\Protection\Designed;
use Vicissa\Core\Protection\Diagnosis;

/** `diagnose`: what the readings of one visit say. */
final readonly class DiagnoseModel implements Model
{
    public function name(): string
    {
        return 'diagnose';
    }

    public function reckon(Input $input): array
    {
        $diagnosis = Diagnosis::from(
            $input->choice('designed', Designed::class),
            $input->choiceOrNull('arrival', Behaviour::class),
            $input->choiceOrNull('after_wash', Behaviour::class),
            $input->choiceOrNull('after_decon', Behaviour::class),
            $input->choiceOrNull('after_topper', Behaviour::class),
        );

        return ['verdict' => $diagnosis->verdict->value, 'next' => $diagnosis->next->value, 'says' => $diagnosis->says];
    }
}
