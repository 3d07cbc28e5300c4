<?php

declare(strict_types=1);

namespace App\Film\Http;

use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;

/** The shape of what Actions\DrawFilm returns. */
#[Shape('HardWash', new Field('on', 'date'), new Field('share', 'number'), new Field('traits', 'string[]'))]
#[
    Shape(
        'WearAccount',
        new Field('worn', 'number', 'Wear-weeks, as all here'),
        new Field('life', 'number'),
        new Field('days', 'integer'),
        new Field('standing', 'number'),
        new Field('driving', 'number'),
        new Field('salt', 'number'),
        new Field('washing', 'number'),
        new Field('given_back', 'number'),
        new Field('washes', 'integer'),
        new Field('hard', 'HardWash[]'),
    ),
]
#[Shape('RibbonPoint', new Field('at', 'date-time'), new Field('left', 'number', 'What is left of the layer, 0 to 1'))]
#[
    Shape(
        'RibbonSegment',
        new Field('layer_id', 'uuid'),
        new Field('kind', 'string'),
        new Field('family', 'string'),
        new Field('name', 'string?'),
        new Field('points', 'RibbonPoint[]'),
    ),
]
#[
    Shape(
        'RibbonReading',
        new Field('at', 'date-time'),
        new Field('stage', 'string'),
        new Field('behaviour', 'string', null, ['tight', 'good', 'weak', 'sheeting', 'flat']),
        new Field('angle_deg', 'number?'),
    ),
]
#[Shape('RibbonSpread', new Field('p10', 'date-time?'), new Field('p50', 'date-time?'), new Field('p90', 'date-time?'))]
#[Shape('RibbonBase', new Field('family', 'string'), new Field('name', 'string?'), new Field('on_at', 'date-time'))]
#[
    Shape(
        'RibbonOutermost',
        new Field('id', 'uuid'),
        new Field('kind', 'string'),
        new Field('family', 'string'),
        new Field('name', 'string?'),
    ),
]
#[
    Shape(
        'Ribbon',
        new Field('vehicle_id', 'uuid'),
        new Field('name', 'string'),
        new Field('model', 'string?'),
        new Field('tone', 'string'),
        new Field('client', 'string?'),
        new Field('site', 'string?'),
        new Field('zone', 'string'),
        new Field('base', 'RibbonBase?'),
        new Field('outermost', 'RibbonOutermost?'),
        new Field('designed', 'string'),
        new Field('state', 'string', null, ['bare', 'unknown', 'failed', 'suspect', 'due', 'open', 'soon', 'later']),
        new Field('from_at', 'date-time?'),
        new Field('due_at', 'date-time?'),
        new Field('late_at', 'date-time?'),
        new Field('why', 'said?'),
        new Field('left', 'number?'),
        new Field('spread', 'RibbonSpread?'),
        new Field('segments', 'RibbonSegment[]'),
        new Field('washes', 'date-time[]'),
        new Field('readings', 'RibbonReading[]'),
        new Field('account', 'WearAccount?', 'Where its wear came from; of a single vehicle only'),
        new Field('last_wash_on', 'date?'),
        new Field('next_wash_on', 'date?'),
    ),
]
#[
    Shape(
        'RibbonPointExplained',
        new Field('on', 'date'),
        new Field('ahead', 'boolean'),
        new Field('layer_id', 'uuid'),
        new Field('kind', 'string'),
        new Field('family', 'string'),
        new Field('name', 'string?'),
        new Field('left', 'number'),
        new Field('holds', 'number', 'Chance that it still behaves on a clean surface'),
        new Field('seen_failed', 'boolean'),
        new Field('account', 'WearAccount', 'Until that day, or until today'),
        new Field('expected', 'number?', 'Wear-weeks from today to that day'),
        new Field('says', 'said'),
    ),
]
#[Shape('RibbonExplained', new Field('point', 'RibbonPointExplained?', 'Null where no layer was on'))]
#[Shape('TryTopper', new Field('on', 'date'), new Field('product_id', 'uuid'))]
#[
    Shape(
        'TryInput',
        new Field('washes?', 'date[]?', 'The vehicle’s rhythm when left out'),
        new Field('toppers?', 'TryTopper[]'),
    ),
]
#[
    Shape(
        'AheadPoint',
        new Field('at', 'date-time'),
        new Field('low', 'number'),
        new Field('mid', 'number'),
        new Field('high', 'number'),
    ),
]
#[
    Shape(
        'AheadLayer',
        new Field('name', 'string?'),
        new Field('family', 'string'),
        new Field('kind', 'string'),
        new Field('fresh', 'boolean'),
        new Field('points', 'AheadPoint[]'),
        new Field('from_on', 'date?'),
        new Field('due_on', 'date?'),
        new Field('late_on', 'date?'),
    ),
]
#[
    Shape(
        'AheadCourse',
        new Field('layers', 'AheadLayer[]'),
        new Field('below_days', 'integer'),
        new Field('spent_before', 'number?'),
    ),
]
#[
    Shape(
        'TriedAhead',
        new Field('rhythm', 'date[]'),
        new Field('stands', 'AheadCourse'),
        new Field('tried', 'AheadCourse'),
        new Field('says', 'said[]'),
    ),
]
#[
    Shape(
        'Film',
        new Field('today', 'date-time'),
        new Field('from', 'date-time'),
        new Field('to', 'date-time'),
        new Field('count', 'integer', 'Of all there are, drawn or not'),
        new Field('ribbons', 'Ribbon[]'),
    ),
]
final class FilmSchemas {}
