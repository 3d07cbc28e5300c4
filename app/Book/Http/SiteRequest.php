<?php

declare(strict_types=1);

namespace App\Book\Http;

use App\Http\FactsRequest;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use Illuminate\Validation\Rule;
use Vicissa\Core\Matching\Water;

#[
    Shape(
        'Admission',
        new Field('crew_id', 'uuid'),
        new Field('person', 'string'),
        new Field('valid_until?', 'date?', 'The last day; null: as long as nobody says otherwise'),
    ),
]
#[
    Shape(
        'SiteInput',
        new Field('name', 'string'),
        new Field('client_id?', 'uuid?'),
        new Field('address?', 'string?'),
        new Field('water?', 'string', null, ['none', 'tap', 'treated']),
        new Field('tds_mg_l?', 'number?'),
        new Field('hardness_mg_l?', 'number?', 'Of the tap water, CaCO₃'),
        new Field('treated_tds_mg_l?', 'number?'),
        new Field('power?', 'boolean'),
        new Field('pressure?', 'boolean'),
        new Field('shade?', 'boolean'),
        new Field('bay?', 'boolean'),
        new Field('latitude?', 'number?'),
        new Field('longitude?', 'number?'),
        new Field('surface?', 'string?'),
        new Field('run_off?', 'string?'),
        new Field('hours?', 'string?'),
        new Field('access?', 'string?'),
        new Field('certificate_expires_on?', 'date?'),
        new Field('travel_min?', 'integer'),
        new Field('by_register?', 'boolean', 'Only who is on the register is let in'),
        new Field('admissions?', 'Admission[]', 'The register, as a whole'),
    ),
]
final class SiteRequest extends FactsRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => [$this->isMethod('POST') ? 'required' : 'sometimes', 'string', 'min:1', 'max:120'],
            'client_id' => ['sometimes', 'nullable', 'uuid', $this->mine('clients')],
            'address' => ['sometimes', 'nullable', 'string', 'max:240'],
            'water' => ['sometimes', Rule::enum(Water::class)],
            'tds_mg_l' => ['sometimes', 'nullable', 'numeric', 'between:0,5000'],
            'hardness_mg_l' => ['sometimes', 'nullable', 'numeric', 'between:0,5000'],
            'treated_tds_mg_l' => ['sometimes', 'nullable', 'numeric', 'between:0,5000'],
            'power' => ['sometimes', 'boolean'],
            'pressure' => ['sometimes', 'boolean'],
            'shade' => ['sometimes', 'boolean'],
            'bay' => ['sometimes', 'boolean'],
            // A place is on the map with both or not at all.
            'latitude' => [
                'present_with:longitude',
                'required_with:longitude',
                'nullable',
                'numeric',
                'between:-90,90',
            ],
            'longitude' => [
                'present_with:latitude',
                'required_with:latitude',
                'nullable',
                'numeric',
                'between:-180,180',
            ],
            'surface' => ['sometimes', 'nullable', 'string', 'max:120'],
            'run_off' => ['sometimes', 'nullable', 'string', 'max:240'],
            'hours' => ['sometimes', 'nullable', 'string', 'max:120'],
            'access' => ['sometimes', 'nullable', 'string', 'max:240'],
            'certificate_expires_on' => ['sometimes', 'nullable', 'date_format:Y-m-d'],
            'travel_min' => ['sometimes', 'integer', 'between:0,600'],
            'by_register' => ['sometimes', 'boolean'],
            'admissions' => ['sometimes', 'array', 'max:100'],
            'admissions.*.crew_id' => ['required', 'uuid', $this->mine('crews')],
            'admissions.*.person' => ['required', 'string', 'min:1', 'max:120'],
            'admissions.*.valid_until' => ['nullable', 'date_format:Y-m-d'],
        ];
    }
}
