<?php

declare(strict_types=1);

namespace App\Bench;

use App\Reckon\Input;
use Vicissa\Core\Matching\Body;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\Situation;
use Vicissa\Core\Visit\Laying;
use Vicissa\Core\Visit\Outfit;
use Vicissa\Core\Visit\Visit;

/** Lays a visit out: the one way for every place of the program. Raises InvalidInput where its facts make no sense. */
final readonly class LayVisit
{
    public function __construct(private SetScene $setScene, private Equip $equip) {}

    /** @param list<string> $done  steps behind the crew already */
    public function __invoke(VisitWish $wish, AtHand $atHand, array $done = []): LaidVisit
    {
        [$situation, $schools, $outfit] = $this->scene($wish, $atHand);

        return new LaidVisit(Visit::of($situation, $schools, $outfit, $done), $situation, $schools, $outfit);
    }

    /** The steps alone, without their times. */
    public function laying(VisitWish $wish, AtHand $atHand): Laying
    {
        return Laying::of(...$this->scene($wish, $atHand));
    }

    /** @return array{Situation, Schools, Outfit} */
    private function scene(VisitWish $wish, AtHand $atHand): array
    {
        [$situation, $schools] = ($this->setScene)(new Input($wish->facts), $wish->vehicle, $atHand->shelf);
        $without = $wish->facts['without'] ?? [];
        $situation =
            is_array($without) && $without !== []
                ? $situation->without(array_values(array_filter($without, is_string(...))))
                : $situation;

        return [
            $situation,
            $schools,
            ($this->equip)(
                $wish->people,
                Body::from($wish->vehicle->body),
                $wish->vehicle->site,
                $atHand,
                $atHand->pace->for($wish->vehicle->id, $wish->members),
            ),
        ];
    }
}
