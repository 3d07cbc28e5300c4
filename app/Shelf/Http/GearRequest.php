<?php

declare(strict_types=1);

namespace App\Shelf\Http;

use App\Http\FactsRequest;
use App\Says\Teller;
use App\Shelf\Gear;
use App\Shelf\GearRules;
use App\Tenancy\Tenancy;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;

final class GearRequest extends FactsRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $new = $this->route('gear') === null;

        if (!app(Tenancy::class)->isOwner() && is_array($this->input('facts'))) {
            $this->merge(['facts' => array_diff_key($this->array('facts'), ['price_minor' => 1])]);
        }

        return [
            'kind' => $new ? ['required', Rule::in(array_keys(GearRules::FACTS))] : ['missing'],
            'name' => [$new ? 'required' : 'sometimes', 'string', 'min:1', 'max:80'],
            'facts' => [$new ? 'required' : 'sometimes', 'array'],
            'note' => ['sometimes', 'nullable', 'string', 'max:240'],
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
                $gear = $this->route('gear');
                $kind = $gear instanceof Gear ? $gear->kind : $this->string('kind')->value();
                if ($this->has('facts')) {
                    foreach (GearRules::errors($kind, $this->array('facts')) as $field => $says) {
                        $validator->errors()->add($field, Teller::here()->tell($says));
                    }
                }
            },
        ];
    }
}
