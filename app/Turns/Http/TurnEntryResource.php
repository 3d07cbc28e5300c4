<?php

declare(strict_types=1);

namespace App\Turns\Http;

use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use App\Http\RowResource;
use App\Record\Reading;
use App\Record\TurnEntry;
use App\Record\TurnProduct;
use Illuminate\Http\Request;

/** @extends RowResource<TurnEntry> */
#[
    Shape(
        'Reading',
        new Field('stage', 'string', null, ['arrival', 'after_wash', 'after_decon', 'after_topper']),
        new Field('zone', 'string'),
        new Field('behaviour', 'string', null, ['tight', 'good', 'weak', 'sheeting', 'flat']),
        new Field('angle_deg', 'number?'),
        new Field('part', 'string', null, ['whole', 'top', 'sides', 'low']),
        new Field('sheets_s', 'number?'),
    ),
]
#[Shape('Remark', new Field('code', 'string'), new Field('severity', 'string'))]
#[
    Shape(
        'ProductUse',
        new Field('product_id', 'uuid'),
        new Field('name', 'string'),
        new Field('role', 'string'),
        new Field('zone', 'string'),
        new Field('quantity_ml', 'number?'),
        new Field('batch', 'string?'),
        new Field('as_base', 'boolean'),
        new Field('remarks', 'Remark[]'),
    ),
]
#[
    Shape(
        'Textiles',
        new Field('large?', 'integer'),
        new Field('medium?', 'integer'),
        new Field('catch?', 'integer'),
        new Field('sills?', 'integer'),
        new Field('wheels?', 'integer'),
        new Field('jambs?', 'integer'),
        new Field('glass?', 'integer'),
        new Field('topper?', 'integer'),
        new Field('sides?', 'integer', 'Sides of washing towels'),
        new Field('mitts?', 'integer'),
    ),
]
#[
    Shape(
        'StepTaken',
        new Field('id', 'string'),
        new Field('name', 'string'),
        new Field('kind', 'string'),
        new Field('took_s', 'integer?'),
        new Field('estimate_min', 'number?'),
        new Field('skipped', 'boolean'),
    ),
]
#[Shape('Refusal', new Field('what', 'said'), new Field('why', 'said'))]
#[
    Shape(
        'OddPart',
        new Field('part', 'string', null, ['top', 'sides', 'low']),
        new Field('cause', 'string', null, ['sun-or-spots', 'salt', 'rubbed', 'uneven-dirt']),
        new Field('says', 'said'),
        new Field('now', 'said'),
        new Field('next_time', 'said'),
    ),
]
#[
    Shape(
        'Diagnosis',
        new Field('zone', 'string'),
        new Field('verdict', 'string'),
        new Field('next', 'string'),
        new Field('says', 'said'),
        new Field('now?', 'string', 'Absent in entries from before it was kept'),
        new Field('next_time?', 'string'),
        new Field('parts?', 'OddPart[]'),
    ),
]
#[
    Shape(
        'DueDate',
        new Field('layer_id', 'uuid'),
        new Field('zone', 'string'),
        new Field('kind', 'string'),
        new Field('name', 'string'),
        new Field('from', 'date?'),
        new Field('due', 'date?'),
        new Field('late', 'date?'),
        new Field('look?', 'date?', 'When a lasting base is to be looked over'),
    ),
]
#[
    Shape(
        'TurnEntry',
        new Field('id', 'uuid'),
        new Field('revision', 'integer'),
        new Field('worked_at', 'date-time'),
        new Field('minutes', 'integer?'),
        new Field('soil', 'integer'),
        new Field('grit', 'boolean'),
        new Field('method', 'string'),
        new Field('purpose', 'string'),
        new Field('water', 'string'),
        new Field('panel_c', 'number?'),
        new Field('clay', 'boolean'),
        new Field('looked_over', 'boolean'),
        new Field('note', 'string?'),
        new Field('readings', 'Reading[]'),
        new Field('products', 'ProductUse[]'),
        new Field('diagnoses', 'Diagnosis[]'),
        new Field('due_before', 'DueDate[]'),
        new Field('due_after', 'DueDate[]'),
        new Field('crew', 'integer?'),
        new Field('water_l', 'number?'),
        new Field('textiles', 'Textiles'),
        new Field('steps', 'StepTaken[]'),
        new Field('refused', 'Refusal[]'),
        new Field('recommended', 'string?'),
        new Field('scope', 'string'),
        new Field('kinds', 'string[]?', 'What was planned for it'),
        new Field('left_out', 'LeftOut[]'),
        new Field('inspection', 'InspectionSeen?'),
        new Field('next_on', 'date?'),
        new Field('next_kinds', 'string[]'),
        new Field('reason', 'string?'),
        new Field('written_by', 'string'),
        new Field('written_at', 'date-time'),
    ),
]
final class TurnEntryResource extends RowResource
{
    /** @return Told<'TurnEntry'> */
    public function toArray(Request $request): array
    {
        return [
            ...$this->resource->only([
                'id',
                'revision',
                ...TurnEntry::WRITTEN,
                ...TurnEntry::COUNTED,
                'diagnoses',
                'next_kinds',
                'reason',
            ]),
            'worked_at' => $this->iso($this->worked_at),
            'readings' => array_values(
                $this->readings->map(static fn(Reading $reading): array => $reading->only(Reading::READ))->all(),
            ),
            'products' => array_values(
                $this->products
                    ->map(
                        static fn(TurnProduct $use): array => [
                            ...$use->only(['product_id', 'role', 'zone', 'quantity_ml', 'batch', 'as_base', 'remarks']),
                            'name' => $use->product->name ?? '',
                        ],
                    )
                    ->all(),
            ),
            'due_before' => $this->due_before ?? [],
            'due_after' => $this->due_after ?? [],
            'textiles' => (object) $this->textiles,
            'next_on' => $this->next_on?->toDateString(),
            'written_by' => $this->writer->name ?? '',
            'written_at' => $this->iso($this->written_at),
        ];
    }
}
