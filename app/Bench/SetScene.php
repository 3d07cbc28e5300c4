<?php

declare(strict_types=1);

namespace App\Bench;

use App\Book\Vehicle;
use App\Reckon\Input;
use App\Reckon\MatchModel;
use Vicissa\Core\Matching\Turn\Bottle;
use Vicissa\Core\Matching\Turn\Hour;
use Vicissa\Core\Matching\Turn\MatchedVehicle as MatchVehicle;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\Situation;

/** Reads what was seen, where and in what weather (BenchInput) into what a match is made from. */
final readonly class SetScene
{
    public function __construct(private MatchTurn $matchTurn) {}

    /**
     * @param list<Bottle>|null $shelf  as it stands when left out
     * @return array{Situation, Schools}
     */
    public function __invoke(Input $input, Vehicle|MatchVehicle $vehicle, ?array $shelf = null): array
    {
        $weather = $input->object('weather');

        return ($this->matchTurn)(
            $vehicle,
            MatchModel::seen($input->object('seen')),
            MatchModel::place($input->object('place')),
            new Hour(MatchModel::air($weather), $weather->flag('rain', false), $input->numberOrNull('panel_c')),
            Schools::of($input->objectOrEmpty('schools')->all()),
            $shelf,
            MatchModel::asked($input),
        );
    }
}
