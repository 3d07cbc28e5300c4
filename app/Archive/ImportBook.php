<?php

declare(strict_types=1);

namespace App\Archive;

use App\Book\Client;
use App\Book\Site;
use App\Book\Vehicle;
use App\Film\StartVehicle;
use App\Record\Reading;
use App\Record\RebuildProtection;
use App\Record\Turn;
use App\Record\TurnEntry;
use App\Shelf\Product;
use App\Tables\Counted;
use App\Tables\Tables;
use App\Tables\UnreadableFile;
use App\Tenancy\Instant;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use App\Turns\FinishTurn;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Psr\Clock\ClockInterface;
use Throwable;
use Vicissa\Core\Protection\Family;
use Vicissa\Core\Protection\Stage;
use Vicissa\Core\Says\Said;

/**
 * Reads a table of clients, places, vehicles, turns or readings into the book. Rows are known by name, turns by vehicle
 * and moment. With an error in any row nothing is done; turns that are recorded stay as they are, readings that differ
 * are a correction with its reason.
 */
final class ImportBook
{
    public const MOST = ['clients' => 1500, 'sites' => 1500, 'vehicles' => 400, 'turns' => 500, 'readings' => 5000];

    private const REASON = 'Readings read in from a file';

    /** @var array<string, Collection<string, covariant Model>> rows by name in small letters */
    private array $known = [];

    public function __construct(
        private readonly RowRules $rules,
        private readonly StartVehicle $startVehicle,
        private readonly FinishTurn $finishTurn,
        private readonly RebuildProtection $rebuildProtection,
        private readonly ClockInterface $clock,
        private readonly Tenancy $tenancy,
    ) {}

    /**
     * @param bool $commit  false only looks
     * @return array{rows: list<array{row: int, name: string, does: string, changes: list<string>, errors: array<string,
     *     string|Said>, unknown: list<string>}>, done: bool, new: int, changed: int, same: int, wrong: int}
     *
     * @throws UnreadableFile
     */
    public function __invoke(string $kind, string $text, bool $commit, User $by): array
    {
        $table = Tables::read($text, self::MOST[$kind]);
        $columns = BookFile::COLUMNS[$kind];
        if (array_intersect($table['head'], $columns) === []) {
            throw new UnreadableFile(Said::of('file.no-columns', columns: implode(', ', $columns)));
        }
        $unknown = array_values(array_diff(array_filter($table['head']), $columns));
        $this->known = [
            'client' => self::byName(Client::query()->get()),
            'site' => self::byName(Site::query()->get()),
            'vehicle' => self::byName(Vehicle::query()->get()),
            'product' => self::byName(Product::query()->get()),
        ];

        return DB::transaction(function () use ($kind, $table, $unknown, $commit, $by): array {
            $rows = $seen = $work = [];
            foreach ($table['rows'] as ['row' => $row, 'cells' => $cells]) {
                $facts = $errors = [];
                foreach (array_intersect_key($cells, array_flip(BookFile::COLUMNS[$kind])) as $column => $cell) {
                    $facts[$column] = BookFile::value($column, $cell);
                }
                $key = $this->key($kind, $cells);
                if ($key !== '' && isset($seen[$key])) {
                    $errors[BookFile::COLUMNS[$kind][0]] = Said::of('file.row-twice', row: $seen[$key]);
                }
                $seen[$key] ??= $row;
                [$does, $changes, $more, $do] = $this->weigh($kind, $facts, $by);
                $errors = [...$more, ...$errors];
                if ($errors === [] && $do !== null) {
                    $work[] = $do;
                }
                $rows[] = [
                    'row' => $row,
                    'name' => trim(($cells['name'] ?? ($cells['vehicle'] ?? '')) . ' ' . ($cells['worked_at'] ?? '')),
                    'does' => $errors === [] ? $does : 'wrong',
                    'changes' => $errors === [] ? $changes : [],
                    'errors' => $errors,
                    'unknown' => $unknown,
                ];
            }
            $done = Counted::mayBeDone($rows, $commit);
            foreach ($done ? $work : [] as $do) {
                $do();
            }

            return Counted::of($rows, $done);
        });
    }

    /** @param array<string, string> $cells */
    private function key(string $kind, array $cells): string
    {
        return mb_strtolower(
            match ($kind) {
                'turns' => ($cells['vehicle'] ?? '') . '|' . ($cells['worked_at'] ?? ''),
                'readings' => implode(
                    '|',
                    array_map(static fn(string $column): string => $cells[$column] ?? '', [
                        'vehicle',
                        'worked_at',
                        'stage',
                        'zone',
                        'part',
                    ]),
                ),
                default => $cells['name'] ?? '',
            },
        );
    }

    /**
     * @param array<string, mixed> $facts
     * @return array{string, list<string>, array<string, string|Said>, (callable(): void)|null} what it does, what it
     *     changes, errors, and the work
     */
    private function weigh(string $kind, array $facts, User $by): array
    {
        return match ($kind) {
            'clients' => $this->row($facts, 'client', new Client()),
            'sites' => $this->row($facts, 'site', new Site()),
            'vehicles' => $this->vehicle($facts),
            'turns' => $this->turn($facts, $by),
            default => $this->reading($facts, $by),
        };
    }

    /**
     * @param array<string, mixed> $facts
     * @param 'client'|'site' $what
     * @return array{string, list<string>, array<string, string|Said>, (callable(): void)|null}
     */
    private function row(array $facts, string $what, Model $new): array
    {
        [$facts, $errors] = $this->named($facts, ['client']);
        $has = $this->known[$what]->get(mb_strtolower(is_string($facts['name'] ?? null) ? $facts['name'] : ''));
        $errors = [...$errors, ...$this->rules->errors($what, $facts, $has === null)];
        if ($errors !== []) {
            return ['wrong', [], $errors, null];
        }
        $target = ($has ?? $new)->fill($facts);
        $changes = $has === null ? [] : array_values(array_diff(array_keys($target->getDirty()), ['version']));

        return [
            $has === null ? 'new' : ($changes === [] ? 'same' : 'change'),
            $changes,
            [],
            $has !== null && $changes === []
                ? null
                : static function () use ($target): void {
                    if ($target->exists) {
                        $target->setAttribute('version', (int) $target->getAttribute('version') + 1);
                    }
                    $target->save();
                },
        ];
    }

    /**
     * @param array<string, mixed> $facts
     * @return array{string, list<string>, array<string, string|Said>, (callable(): void)|null}
     */
    private function vehicle(array $facts): array
    {
        [$facts, $errors] = $this->named($facts, ['client', 'site']);
        [$base, $since] = [$facts['base'] ?? null, $facts['base_since'] ?? null];
        $facts = array_diff_key($facts, ['base' => 1, 'base_since' => 1]);
        $has = $this->known['vehicle']->get(mb_strtolower(is_string($facts['name'] ?? null) ? $facts['name'] : ''));
        $errors = [...$errors, ...$this->rules->errors('vehicle', $facts, $has === null)];
        if ($has === null && (!is_string($base) || ($base !== 'unknown' && Family::tryFrom($base) === null))) {
            $errors['base'] = Said::of('file.base', families: implode(', ', array_column(Family::cases(), 'value')));
        }
        if (
            $since !== null &&
            (!is_string($since) ||
                preg_match('/^\d{4}-\d\d-\d\d$/', $since) !== 1 ||
                $since > $this->tenancy->workspace()->dateOf($this->clock->now()))
        ) {
            $errors['base_since'] = Said::of('file.date-past');
        }
        $like = $has instanceof Vehicle ? $has : new Vehicle();
        $gap = static fn(string $field): int => is_int($facts[$field] ?? null)
            ? $facts[$field]
            : (int) $like->getAttribute($field);
        if (
            $errors === [] &&
            ($gap('cadence_min') > $gap('cadence_target') || $gap('cadence_target') > $gap('cadence_max'))
        ) {
            $errors['cadence_target'] = Said::of('vehicle.cadence');
        }
        if ($errors !== []) {
            return ['wrong', [], $errors, null];
        }
        if ($has instanceof Vehicle) {
            $changes = array_values(array_diff(array_keys($has->fill($facts)->getDirty()), ['version']));

            return [
                $changes === [] ? 'same' : 'change',
                $changes,
                [],
                $changes === []
                    ? null
                    : function () use ($has): void {
                        $has->version++;
                        $has->save();
                        ($this->rebuildProtection)($has);
                    },
            ];
        }

        return [
            'new',
            [],
            [],
            function () use ($facts, $base, $since): void {
                /** @var array{name: string, body: string} $facts */
                $vehicle = ($this->startVehicle)([
                    ...array_intersect_key($facts, array_flip(['name', 'body', 'tone', 'finish', 'hardness'])),
                    'family' => is_string($base) ? $base : 'unknown',
                    'since' => is_string($since) ? $since : null,
                ])->refresh();
                $vehicle->fill(array_diff_key($facts, ['name' => 1, 'body' => 1]))->save();
                ($this->rebuildProtection)($vehicle);
            },
        ];
    }

    /**
     * @param array<string, mixed> $facts
     * @return array{string, list<string>, array<string, string|Said>, (callable(): void)|null}
     */
    private function turn(array $facts, User $by): array
    {
        [$vehicle, $errors] = $this->vehicleOf($facts);
        $products = $this->products(is_string($facts['products'] ?? null) ? $facts['products'] : '', $errors);
        $facts = [...array_diff_key($facts, ['vehicle' => 1]), 'products' => $products];
        $errors = [...$errors, ...$this->rules->errors('turn', $facts, true)];
        $at = $this->moment($facts['worked_at'] ?? null, $errors);
        if ($vehicle === null || $at === null || $errors !== []) {
            return ['wrong', [], $errors, null];
        }
        if (Turn::query()->where('vehicle_id', $vehicle->id)->where('worked_at', $at)->exists()) {
            return ['same', [], [], null];
        }

        return [
            'new',
            [],
            [],
            function () use ($vehicle, $by, $facts, $at): void {
                ($this->finishTurn)($vehicle, $by, [...$facts, 'worked_at' => $at->format(DATE_ATOM)]);
            },
        ];
    }

    /**
     * @param array<string, mixed> $facts
     * @return array{string, list<string>, array<string, string|Said>, (callable(): void)|null}
     */
    private function reading(array $facts, User $by): array
    {
        [$vehicle, $errors] = $this->vehicleOf($facts);
        $at = $this->moment($facts['worked_at'] ?? null, $errors);
        $reading = array_diff_key($facts, ['vehicle' => 1, 'worked_at' => 1]);
        $reading += ['part' => 'whole'];
        foreach (
            $this->rules->errors(
                'turn',
                [
                    'worked_at' => $facts['worked_at'] ?? '',
                    'soil' => 0,
                    'method' => 'two-mitts',
                    'water' => 'tap',
                    'readings' => [$reading],
                ],
                true,
            )
            as $field => $says
        ) {
            $errors[str_replace('readings.0.', '', $field)] = $says;
        }
        $turn =
            $vehicle === null || $at === null
                ? null
                : Turn::query()
                    ->with('current.readings')
                    ->where('vehicle_id', $vehicle->id)
                    ->where('worked_at', $at)
                    ->first();
        if ($turn === null && $errors === []) {
            $errors['worked_at'] = Said::of('file.no-turn');
        }
        if ($turn === null || $errors !== []) {
            return ['wrong', [], $errors, null];
        }
        $same = $turn->current?->readings->contains(
            static fn(Reading $one): bool => $one->stage === $reading['stage'] &&
                $one->zone === $reading['zone'] &&
                $one->part === $reading['part'] &&
                $one->behaviour === $reading['behaviour'] &&
                abs(($one->angle_deg ?? -1.0) - (float) ($reading['angle_deg'] ?? -1.0)) < 0.05,
        );
        if ($same === true) {
            return ['same', [], [], null];
        }

        return [
            'change',
            ['reading ' . Stage::from((string) $reading['stage'])->value],
            [],
            function () use ($turn, $reading, $by): void {
                $now = Turn::query()
                    ->with(['current.readings', 'current.products'])
                    ->findOrFail($turn->id);
                $entry = $now->current ?? $now->current()->firstOrFail();
                $readings = $entry->readings
                    ->reject(
                        static fn(Reading $one): bool => $one->stage === $reading['stage'] &&
                            $one->zone === $reading['zone'] &&
                            $one->part === $reading['part'],
                    )
                    ->map(static fn(Reading $one): array => $one->only(Reading::READ))
                    ->values()
                    ->all();
                $this->finishTurn->correct(
                    $now,
                    $by,
                    [
                        ...$entry->only(TurnEntry::WRITTEN),
                        'worked_at' => $now->worked_at->format(DATE_ATOM),
                        'readings' => [...$readings, $reading],
                        'products' => $entry->products->map
                            ->only(['product_id', 'zone', 'quantity_ml', 'batch'])
                            ->all(),
                    ],
                    self::REASON,
                    $entry->revision,
                );
            },
        ];
    }

    /**
     * @param array<string, mixed> $facts
     * @return array{Vehicle|null, array<string, Said>}
     */
    private function vehicleOf(array $facts): array
    {
        $name = is_scalar($facts['vehicle'] ?? null) ? (string) $facts['vehicle'] : '';
        $vehicle = $this->known['vehicle']->get(mb_strtolower($name));

        return $vehicle instanceof Vehicle
            ? [$vehicle, []]
            : [
                null,
                ['vehicle' => $name === '' ? Said::of('file.which-vehicle') : Said::of('file.no-vehicle', name: $name)],
            ];
    }

    /** @param array<string, string|Said> $errors */
    private function moment(mixed $text, array &$errors): ?CarbonImmutable
    {
        try {
            $at = is_string($text) && $text !== '' ? Instant::of($text) : null;
        } catch (Throwable) {
            $at = null;
        }
        if ($at === null) {
            $errors['worked_at'] ??= Said::of('file.worked-at');
        } elseif ($at > CarbonImmutable::instance($this->clock->now())->addMinutes(5)) {
            $errors['worked_at'] = Said::of('file.to-come');
        }

        return $at;
    }

    /**
     * "Ostrand Hood @ paint = 40 ml; Merrow Plain @ paint"
     *
     * @param array<string, string|Said> $errors
     * @return list<array{product_id: string, zone: string, quantity_ml?: float}>
     */
    private function products(string $text, array &$errors): array
    {
        $uses = [];
        foreach (
            array_filter(array_map(trim(...), explode(';', $text)), static fn(string $one): bool => $one !== '')
            as $one
        ) {
            if (preg_match('/^(.+?)(?:\s*@\s*([a-z]+))?(?:\s*=\s*([\d.]+)\s*(?:ml)?)?$/i', $one, $m) !== 1) {
                $errors['products'] = Said::of('file.products', text: $one);

                continue;
            }
            $product = $this->known['product']->get(mb_strtolower(trim($m[1])));
            if (!($product instanceof Product)) {
                $errors['products'] = Said::of('file.no-product', name: $m[1]);

                continue;
            }
            $uses[] = [
                'product_id' => $product->id,
                'zone' => ($m[2] ?? '') === '' ? 'paint' : mb_strtolower($m[2]),
                ...($m[3] ?? '') === '' ? [] : ['quantity_ml' => (float) $m[3]],
            ];
        }

        return $uses;
    }

    /**
     * Names become ids.
     *
     * @param array<string, mixed> $facts
     * @param list<string> $which
     * @return array{array<string, mixed>, array<string, Said>} facts and errors
     */
    private function named(array $facts, array $which): array
    {
        $errors = [];
        foreach ($which as $what) {
            if (isset($facts[$what]) && is_scalar($facts[$what])) {
                $row = $this->known[$what]->get(mb_strtolower((string) $facts[$what]));
                if ($row === null) {
                    $errors[$what] = Said::of("file.no-{$what}", name: (string) $facts[$what]);
                } else {
                    $facts["{$what}_id"] = $row->getKey();
                }
            }
            unset($facts[$what]);
        }

        return [$facts, $errors];
    }

    /**
     * @template T of Model
     *
     * @param Collection<int, T> $rows
     * @return Collection<string, T>
     */
    private static function byName(Collection $rows): Collection
    {
        return $rows->keyBy(static fn(Model $row): string => mb_strtolower((string) $row->getAttribute('name')));
    }
}
