<?php

declare(strict_types=1);

namespace App\Book\Http;

use App\Book\Programme;
use App\Http\FactsRequest;
use App\Says\Teller;
use App\Tenancy\Tenancy;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;

final class ProgrammeRequest extends FactsRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $new = $this->isMethod('POST') ? 'required' : 'sometimes';
        $programme = $this->route('programme');

        return [
            'name' => [
                $new,
                'string',
                'min:1',
                'max:120',
                Rule::unique('programmes', 'name')
                    ->where('workspace_id', app(Tenancy::class)->workspace()->id)
                    ->ignore($programme instanceof Programme ? $programme->id : null),
            ],
            ...RhythmRules::of($new),
        ];
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                if ($validator->errors()->isNotEmpty()) {
                    return;
                }
                $programme = $this->route('programme');
                $has = $programme instanceof Programme ? $programme : new Programme();
                [$min, $target, $max] = array_map(
                    fn(string $field): int => $this->integer($field, (int) $has->getAttribute($field)),
                    ['cadence_min', 'cadence_target', 'cadence_max'],
                );
                if ($min > $target || $target > $max) {
                    $validator->errors()->add('cadence_target', Teller::here()->say('vehicle.cadence'));
                }
                $salt = !$this->has('salt_target')
                    ? $has->salt_target
                    : ($this->filled('salt_target')
                        ? $this->integer('salt_target')
                        : null);
                if ($salt !== null && ($salt < $min || $salt > $max)) {
                    $validator->errors()->add('salt_target', Teller::here()->say('vehicle.salt-cadence'));
                }
            },
        ];
    }
}
