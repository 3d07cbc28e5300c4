<?php

declare(strict_types=1);

namespace App\Door\Http;

use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;

/** Schools (core, Matching\Turn\School): sides by school, and what the schools are. */
#[
    Shape(
        'Sides',
        new Field('method?', 'string', null, ['touchless', 'multi-towel', 'two-mitts', 'one-mitt']),
        new Field('wheels?', 'string', null, ['wheels-first', 'paint-first']),
        new Field('foam?', 'string', null, ['thick', 'thin']),
        new Field('rinse?', 'string', null, ['top-down', 'bottom-up']),
        new Field('order?', 'string', null, ['by-cleanliness', 'free']),
        new Field('bare-face?', 'string', null, ['refused', 'tolerated']),
        new Field('drying-aid?', 'string', null, ['every-wash', 'with-topper', 'never']),
        new Field('topper?', 'string', null, ['every-wash', 'by-forecast', 'when-it-fails']),
        new Field('topping-up?', 'string', null, ['on-paint', 'on-cloth']),
        new Field('drying?', 'string', null, ['by-surface', 'air-then-towel', 'warm-air', 'sheet-then-towel', 'towel']),
        new Field('towel?', 'string', null, ['pre-damped', 'dry']),
        new Field('tyre?', 'string', null, ['satin', 'gloss']),
        new Field('caution?', 'string', null, ['10', '30', '50']),
    ),
]
#[Shape('SchoolSide', new Field('side', 'string'), new Field('name', 'string'), new Field('reason', 'string'))]
#[Shape('School', new Field('school', 'string'), new Field('asks', 'string'), new Field('sides', 'SchoolSide[]'))]
final class SchoolSchemas {}
