<?php

declare(strict_types=1);

namespace App\Shelf\Http;

use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;

/** The shape of what Actions\RankShelf returns. */
#[
    Shape(
        'ShelfRemark',
        new Field('code', 'string'),
        new Field('severity', 'string', null, ['block', 'warn']),
        new Field('says', 'said'),
    ),
]
#[
    Shape(
        'ShelfProduct',
        new Field('id', 'uuid'),
        new Field('name', 'string'),
        new Field('line', 'string?'),
        new Field('allowed', 'boolean'),
        new Field('points', 'integer'),
        new Field('why', 'said'),
        new Field('cost_minor', 'number?', 'Minor units for one use on this vehicle; owners read it'),
        new Field('remarks', 'ShelfRemark[]'),
        new Field('cautions', 'string[]'),
    ),
]
#[
    Shape(
        'ShelfRole',
        new Field('role', 'string'),
        new Field('zone', 'string'),
        new Field('layer', 'string'),
        new Field('products', 'ShelfProduct[]'),
    ),
]
final class ShelfSchemas {}
