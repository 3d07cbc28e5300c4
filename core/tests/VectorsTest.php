<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests;

use DomainException;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Vicissa\Core\Drying\Air;
use Vicissa\Core\Drying\Panel;
use Vicissa\Core\Drying\WorkingWindow;
use Vicissa\Core\Matching\Circumstances;
use Vicissa\Core\Matching\Finish;
use Vicissa\Core\Matching\Leaves;
use Vicissa\Core\Matching\ProductTraits;
use Vicissa\Core\Matching\Purpose;
use Vicissa\Core\Matching\Remark;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Strips;
use Vicissa\Core\Matching\Surface;
use Vicissa\Core\Matching\Verdict;
use Vicissa\Core\Matching\Water;
use Vicissa\Core\Matching\WheelFinish;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Mix\AmbiguousDilution;
use Vicissa\Core\Mix\DilutionReader;
use Vicissa\Core\Mix\InMeans;
use Vicissa\Core\Mix\Lance;
use Vicissa\Core\Protection\Behaviour;
use Vicissa\Core\Protection\Designed;
use Vicissa\Core\Protection\Diagnosis;
use Vicissa\Core\Protection\Drop;
use Vicissa\Core\Protection\Family;
use Vicissa\Core\Protection\Life\FailureInterval;
use Vicissa\Core\Protection\Life\LifeModel;
use Vicissa\Core\Textiles\TowelCount;
use Vicissa\Core\Water\Draw;
use Vicissa\Core\Water\Residue;
use Vicissa\Core\Water\Tank;

/** Every published vector, through the core alone. */
final class VectorsTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>}> */
    public static function ratio(): iterable
    {
        return self::vectors('ratio');
    }

    /**
     * @param array<string, mixed> $input
     * @param array<string, mixed> $expect
     */
    #[DataProvider('ratio')]
    public function testRatio(array $input, array $expect): void
    {
        $reader = new DilutionReader(
            $input['cap_ml'] ?? null,
            $input['pump_ml'] ?? null,
            isset($input['in_means']) ? InMeans::from($input['in_means']) : null,
        );
        try {
            $dilution = $reader->read($input['text']);
            $got = ['share' => $dilution->share, ...isset($input['fill_ml']) ? $dilution->fill($input['fill_ml']) : []];
        } catch (DomainException $e) {
            $got = ['error' => $e instanceof AmbiguousDilution ? 'ambiguous' : 'invalid'];
        }
        self::assertClose($expect, $got, 1e-6);
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>}> */
    public static function due(): iterable
    {
        return self::vectors('due');
    }

    /**
     * @param array<string, mixed> $input
     * @param array<string, mixed> $expect
     */
    #[DataProvider('due')]
    public function testDue(array $input, array $expect): void
    {
        $intervals = static fn(array $pairs): array => array_values(
            array_map(static fn(array $pair): FailureInterval => FailureInterval::of($pair[0], $pair[1]), $pairs),
        );
        $model = new LifeModel(...$input['label_weeks']);
        $others = LifeModel::together(
            array_values(
                array_map(
                    static fn(array $pairs): array => $model->vehicleEvidence($intervals($pairs)),
                    $input['others'],
                ),
            ),
        );
        $life = $model->forecast($others, $intervals($input['own']), $input['worn']);
        self::assertClose(
            $expect,
            [
                'product_life' => $life->productLife,
                'p10' => $life->quantile(0.1),
                'p50' => $life->quantile(0.5),
                'p90' => $life->quantile(0.9),
            ],
            2e-3,
        );
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>}> */
    public static function bead(): iterable
    {
        return self::vectors('bead');
    }

    /**
     * @param array<string, mixed> $input
     * @param array<string, mixed> $expect
     */
    #[DataProvider('bead')]
    public function testBead(array $input, array $expect): void
    {
        $drop = Drop::measured($input['base_mm'], $input['height_mm']);
        self::assertClose($expect, ['angle_deg' => $drop->angleDeg, 'behaviour' => $drop->behaviour()->value], 1e-6);
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>}> */
    public static function diagnose(): iterable
    {
        return self::vectors('diagnose');
    }

    /**
     * @param array<string, mixed> $input
     * @param array<string, mixed> $expect
     */
    #[DataProvider('diagnose')]
    public function testDiagnose(array $input, array $expect): void
    {
        $read = static fn(string $stage): ?Behaviour => isset($input[$stage]) ? Behaviour::from($input[$stage]) : null;
        $diagnosis = Diagnosis::from(
            Designed::from($input['designed']),
            $read('arrival'),
            $read('after_wash'),
            $read('after_decon'),
            $read('after_topper'),
        );
        self::assertClose($expect, ['verdict' => $diagnosis->verdict->value, 'next' => $diagnosis->next->value], 0);
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>}> */
    public static function verdict(): iterable
    {
        return self::vectors('verdict');
    }

    /**
     * @param array<string, mixed> $input
     * @param array<string, mixed> $expect
     */
    #[DataProvider('verdict')]
    public function testVerdict(array $input, array $expect): void
    {
        [$product, $context] = [$input['product'], $input['context']];
        $verdict = Verdict::of(
            new ProductTraits(
                Role::from($product['role']),
                $product['ph'],
                Leaves::from($product['leaves']),
                Strips::from($product['strips']),
                $product['solvent'],
                array_values(array_map(Zone::from(...), $product['surfaces'])),
                $product['min_c'],
                $product['max_c'],
                $product['dwell_min_s'],
                $product['may_dry'],
                $product['rinse'],
            ),
            new Surface(
                Zone::from($input['zone']),
                Family::from($input['layer']),
                array_values(array_map(Finish::from(...), $input['finish'])),
                WheelFinish::from($context['wheel_finish']),
            ),
            new Circumstances(
                $context['panel_c'],
                $context['working_s'],
                Water::from($context['water']),
                Purpose::from($context['purpose']),
                $context['bare_face'],
                $context['in_stock'],
            ),
        );
        self::assertSame($expect['allowed'], $verdict->allowed());
        self::assertSame(
            $expect['codes'],
            array_map(
                static fn(Remark $remark): array => [
                    'code' => $remark->code->value,
                    'severity' => $remark->severity->value,
                ],
                $verdict->remarks,
            ),
        );
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>}> */
    public static function window(): iterable
    {
        return self::vectors('window');
    }

    /**
     * @param array<string, mixed> $input
     * @param array<string, mixed> $expect
     */
    #[DataProvider('window')]
    public function testWindow(array $input, array $expect): void
    {
        $window = WorkingWindow::of(
            new Air($input['air_c'], $input['rh'], $input['wind_m_s'], $input['sun_w_m2']),
            new Panel($input['absorptance'], $input['panel_heat_j_m2k'], $input['panel_c']),
            $input['film_kg_m2'],
        );
        self::assertClose(
            $expect,
            [
                'dries_s' => $window->driesS,
                'dry_panel_c' => $window->dryPanelC,
                'panel_end_c' => $window->panelEndC,
                'wet_panel_c' => $window->wetPanelC,
                'working_s' => $window->workingS(),
            ],
            1e-6,
        );
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>}> */
    public static function spots(): iterable
    {
        return self::vectors('spots');
    }

    /**
     * @param array<string, mixed> $input
     * @param array<string, mixed> $expect
     */
    #[DataProvider('spots')]
    public function testSpots(array $input, array $expect): void
    {
        $residue = Residue::of($input['tds_mg_l'], $input['film_kg_m2'], $input['light_paint']);
        self::assertClose($expect, ['residue_mg_m2' => $residue->mgM2, 'visibility' => $residue->spots->value], 1e-6);
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>}> */
    public static function towels(): iterable
    {
        return self::vectors('towels');
    }

    /**
     * @param array<string, mixed> $input
     * @param array<string, mixed> $expect
     */
    #[DataProvider('towels')]
    public function testTowels(array $input, array $expect): void
    {
        $count = TowelCount::of($input['area_m2'], $input['soil'], $input['prerinsed'], $input['sides_per_towel']);
        self::assertSame($expect, ['sides' => $count->sides, 'towels' => $count->towels]);
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>}> */
    public static function lance(): iterable
    {
        return self::vectors('lance');
    }

    /**
     * @param array<string, mixed> $input
     * @param array<string, mixed> $expect
     */
    #[DataProvider('lance')]
    public function testLance(array $input, array $expect): void
    {
        $lance = Lance::calibrated($input['washer_l_min'], $input['bottle_ml'], $input['empties_s']);
        $mix = isset($input['target_share'])
            ? $lance->forPanel($input['target_share'])
            : $lance->forBottle($input['bottle_share']);
        self::assertSame($expect['reachable'], $mix->reachable());
        unset($expect['reachable']);
        self::assertClose(
            $expect,
            [
                'draw_l_min' => $lance->drawLMin,
                'carry' => $lance->carry,
                'bottle_share' => $mix->bottleShare,
                'panel_share' => $mix->panelShare,
                ...$mix->fill($input['fill_ml'] ?? $lance->bottleMl) ?? ['max_panel_share' => $lance->carry],
            ],
            1e-6,
        );
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>}> */
    public static function tank(): iterable
    {
        return self::vectors('tank');
    }

    /**
     * @param array<string, mixed> $input
     * @param array<string, mixed> $expect
     */
    #[DataProvider('tank')]
    public function testTank(array $input, array $expect): void
    {
        $tank = new Tank($input['tank_l'], $input['on_below_l'], $input['make_l_min'], $input['recovery']);
        $run = $tank->run(
            $input['start_l'],
            array_values(
                array_map(
                    static fn(array $draw): Draw => new Draw($draw['start_min'], $draw['minutes'], $draw['l_min']),
                    $input['draws'],
                ),
            ),
            $input['horizon_min'],
        );
        self::assertClose(
            $expect,
            [
                'min_l' => $run->minL,
                'min_at' => $run->minAt,
                'empty_at' => $run->emptyAt,
                'short_l' => $run->shortL,
                'end_l' => $run->endL,
                'made_l' => $run->madeL,
                'feed_l' => $run->feedL,
            ],
            1e-6,
        );
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>}> */
    private static function vectors(string $model): iterable
    {
        foreach (
            json_decode((string) file_get_contents(__DIR__ . "/vectors/{$model}.json"), true, 512, JSON_THROW_ON_ERROR)
            as $vector
        ) {
            yield $vector['name'] => [$vector['input'], $vector['expect']];
        }
    }

    /**
     * @param array<string, mixed> $expect
     * @param array<string, mixed> $got
     */
    private static function assertClose(array $expect, array $got, float $relative): void
    {
        self::assertSame(self::sorted($expect), self::sorted($got));
        foreach ($expect as $key => $value) {
            is_string($value) || $value === null
                ? self::assertSame($value, $got[$key], $key)
                : self::assertEqualsWithDelta($value, $got[$key], $relative * max(1e-9, abs($value)), $key);
        }
    }

    /**
     * @param array<string, mixed> $result
     * @return list<string>
     */
    private static function sorted(array $result): array
    {
        $keys = array_keys($result);
        sort($keys);

        return $keys;
    }
}
