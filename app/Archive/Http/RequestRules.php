<?php

declare(strict_types=1);

namespace App\Archive\Http;

use App\Archive\RowRules;
use App\Book\Http\ClientRequest;
use App\Book\Http\SiteRequest;
use App\Book\Http\VehicleRequest;
use App\Turns\Http\TurnRequest;
use Illuminate\Contracts\Validation\Factory;
use Illuminate\Contracts\Validation\ImplicitRule;
use Illuminate\Validation\Rules\Exists;

/**
 * The same rules and sentences as in the forms. Thousands of rows say the same in most of their columns: what stands by itself is
 * judged once for each thing it says.
 */
final class RequestRules implements RowRules
{
    /** Rules that say something of what is not there. */
    private const OF_ABSENT = '/^(required|present|filled|missing|accepted|declined)/';

    /**
     * Fields that have to be judged together, their rules, and the sentences; asked for each row anew, the same for all.
     *
     * @var array<string, array{list<array{array<string, true>, array<string, array<mixed>>, bool}>, array<string, string>}>
     */
    private array $known = [];

    /** @var array<string, array<string, string>>  sentences by field, by what was said */
    private array $judged = [];

    public function __construct(private readonly Factory $validation) {}

    public function errors(string $what, array $facts, bool $new): array
    {
        [$groups, $messages] = $this->known[$what . ($new ? ' new' : '')] ??= self::of($what, $new);
        $errors = $open = $rules = [];
        foreach ($groups as $n => [$roots, $of, $wanted]) {
            $said = array_intersect_key($facts, $roots);
            $key = "{$what} {$new} {$n} " . hash('xxh128', serialize($said));
            if (isset($this->judged[$key])) {
                $errors += $this->judged[$key];
            } elseif ($said !== [] || $wanted) {
                // A table has few of a form's fields: what is neither there nor asked for can't be wrong.
                $open[$key] = $roots;
                $rules += $of;
            }
        }
        $now = $open === [] ? [] : $this->validation->make($facts, $rules, $messages)->errors()->toArray();
        foreach ($open as $key => $roots) {
            $this->judged[$key] = [];
            foreach ($now as $field => $sentences) {
                if (isset($roots[explode('.', (string) $field, 2)[0]])) {
                    $this->judged[$key][(string) $field] = (string) $sentences[0];
                }
            }
            $errors += $this->judged[$key];
        }

        return $errors;
    }

    /**
     * @param 'client'|'site'|'vehicle'|'turn' $what
     * @return array{list<array{array<string, true>, array<string, array<mixed>>, bool}>, array<string, string>} fields that have to be
     *     judged together, with their rules, and whether these ask for what is not there; sentences
     */
    private static function of(string $what, bool $new): array
    {
        $request = match ($what) {
            'client' => new ClientRequest(),
            'site' => new SiteRequest(),
            'vehicle' => new VehicleRequest(),
            'turn' => new TurnRequest(),
        };
        $request->setMethod($new ? 'POST' : 'PATCH');
        $root = static fn(string $field): string => explode('.', $field, 2)[0];
        // Whoever has a row to judge has found what it names, by its name.
        $rules = array_map(
            static fn(array $of): array => array_filter(
                $of,
                static fn(mixed $rule): bool => !($rule instanceof Exists),
            ),
            $request->rules(),
        );
        $roots = array_flip(array_map($root, array_keys($rules)));
        $together = [];
        foreach ($rules as $field => $of) {
            foreach (array_filter($of, is_string(...)) as $rule) {
                $others = array_intersect_key(array_flip(explode(',', explode(':', $rule, 2)[1] ?? '')), $roots);
                $together += $others === [] ? [] : [$root($field) => 0, ...$others];
            }
        }
        $groups = [];
        foreach ($rules as $field => $of) {
            $name = $root($field);
            $group = isset($together[$name]) ? '' : $name;
            $groups[$group][0][$name] = true;
            $groups[$group][1][$field] = $of;
            $groups[$group][2] = ($groups[$group][2] ?? false) || self::asks($field, $of);
        }

        return [array_values($groups), $request->messages()];
    }

    /** @param array<mixed> $rules  whether they say something where the field is not there */
    private static function asks(string $field, array $rules): bool
    {
        return !str_contains($field, '*') &&
            array_filter(
                $rules,
                static fn(mixed $rule): bool => $rule instanceof ImplicitRule ||
                    (is_string($rule) && preg_match(self::OF_ABSENT, $rule) === 1),
            ) !== [];
    }
}
