<?php

declare(strict_types=1);

namespace App\Bench\Http;

use App\Http\OpenApi\Also;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use App\Reckon\Http\ReckonSchemas;

/** The bench: what one sets, and the match that answers (App\Reckon\MatchAnswer). */
#[
    Shape(
        'BenchReadings',
        new Field('arrival?', 'string'),
        new Field('after_wash?', 'string'),
        new Field('after_decon?', 'string'),
        new Field('after_topper?', 'string'),
    ),
]
#[
    Shape(
        'BenchZoneReadings',
        new Field('paint?', 'BenchReadings'),
        new Field('wheels?', 'BenchReadings'),
        new Field('glass?', 'BenchReadings'),
    ),
]
#[
    Shape(
        'BenchSeen',
        new Field('soil', 'integer', '0 clean to 5 caked, of the dirtiest paint that will be touched'),
        new Field('grit?', 'boolean'),
        new Field('on?', 'string[]', null, ['insects', 'bird-lime', 'sap', 'tar', 'iron', 'salt', 'rough']),
        new Field('wheel_soil?', 'integer?'),
        new Field('wheel_iron?', 'boolean'),
        new Field('readings?', 'BenchZoneReadings'),
        new Field('loose_edges?', 'boolean'),
        new Field('purpose?', 'string', null, ['maintain', 'reset']),
    ),
]
#[
    Shape(
        'BenchPlace',
        new Field('water?', 'string', null, ['none', 'tap', 'treated']),
        new Field('tap_tds_mg_l?', 'number?'),
        new Field('tap_hardness_mg_l?', 'number?'),
        new Field('treated_tds_mg_l?', 'number?'),
        new Field('pressure?', 'boolean'),
        new Field('power?', 'boolean'),
        new Field('shade?', 'boolean'),
        new Field('bay?', 'boolean'),
        new Field('run_off?', 'string?'),
        new Field('battery?', 'boolean', 'An air dryer runs from packs'),
    ),
]
#[
    Shape(
        'BenchWeather',
        new Field('air_c', 'number'),
        new Field('rh', 'number'),
        new Field('wind_m_s', 'number'),
        new Field('sun_w_m2', 'number'),
        new Field('cloud?', 'number?', 'Cover of the sky, 0 to 1; by the sun where nobody says'),
        new Field('rain?', 'boolean'),
    ),
]
#[
    Shape(
        'BenchCoat',
        new Field('family', 'string'),
        new Field('line?', 'string?'),
        new Field('name?', 'string?'),
        new Field('designed?', 'string', null, ['beads', 'sheets']),
    ),
]
#[
    Shape(
        'BenchStack',
        new Field('base?', 'BenchCoat?'),
        new Field('topper?', 'BenchCoat?'),
        new Field('unknown?', 'boolean'),
    ),
]
#[
    Shape(
        'BenchStacks',
        new Field('paint?', 'BenchStack'),
        new Field('wheels?', 'BenchStack'),
        new Field('glass?', 'BenchStack'),
    ),
]
#[
    Shape(
        'BenchVehicle',
        new Field('paint_m2', 'number'),
        new Field('tone?', 'string'),
        new Field('hardness?', 'string'),
        new Field('finish?', 'string[]'),
        new Field('wheel_finish?', 'string'),
        new Field('material?', 'string'),
        new Field('next_turn_in_days?', 'integer'),
        new Field('stacks?', 'BenchStacks'),
    ),
]
#[
    Shape(
        'BenchInput',
        new Field('vehicle_id?', 'uuid?', 'A vehicle of the book; else vehicle'),
        new Field('vehicle?', 'BenchVehicle?'),
        new Field('seen', 'BenchSeen'),
        new Field('place', 'BenchPlace'),
        new Field('weather', 'BenchWeather'),
        new Field('panel_c?', 'number?', 'As measured; else reckoned'),
        new Field('schools?', 'Sides', 'Sides to try for this once'),
        new Field('body?', 'string', 'Of a vehicle that is described'),
        new Field('crew?', 'integer', 'How many work at it'),
        new Field('members?', 'uuid[]', 'Those of them who sign in here: their pace counts'),
        new Field('kinds?', 'string[]', 'What is planned'),
        new Field('on?', 'date', 'Its day, to be held to what the plan reckons with'),
        new Field('scope?', 'string', 'quick, usual, full, or what it takes in'),
        new Field('taken?', 'string[]', 'Products somebody chose by hand'),
        new Field('compare?', 'boolean', 'Also what every other side, shade and a tank would change'),
    ),
]
#[Shape('MatchStage', new Field('stage', 'string'), new Field('says', 'said'), new Field('soil_left', 'number'))]
#[
    Shape(
        'MatchOption',
        new Field('method', 'string'),
        new Field('allowed', 'boolean'),
        new Field('risk', 'number', 'Contact risk index: relative only'),
        new Field('soil_left', 'number'),
        new Field('ceiling', 'integer'),
        new Field('refused', 'said[]'),
        new Field('leaves', 'said?'),
    ),
]
#[
    Shape(
        'MatchMethod',
        new Field('chosen', 'string?'),
        new Field('why', 'said'),
        new Field('instead', 'said[]'),
        new Field('soil_left', 'number?'),
        new Field('stages', 'MatchStage[]'),
        new Field('options', 'MatchOption[]'),
    ),
]
#[
    Shape(
        'MatchBottle',
        new Field('id', 'string'),
        new Field('name', 'string'),
        new Field('line', 'string?'),
        new Field('applied', 'string?'),
        new Field('dilutions', 'Dilutions'),
        new Field('points', 'integer'),
        new Field('cost_minor', 'number?'),
    ),
]
#[
    Shape(
        'MatchProduct',
        new Field('key', 'string'),
        new Field('role', 'string'),
        new Field('zone', 'string'),
        new Field('step', 'string'),
        new Field('optional', 'boolean'),
        new Field('product', 'MatchBottle?'),
        new Field('why', 'said'),
        new Field('dwell', 'said?'),
        new Field('at_most_s', 'number?'),
        new Field(
            'cautions',
            'said[]',
            'What judging it warns of; what its label warns of stands at the step where that begins',
        ),
    ),
]
#[
    Shape(
        'MatchTopper',
        new Field('decision', 'string', null, ['apply', 'read-first', 'decon-first', 'optional', 'none', 'not-today']),
        new Field('says', 'said'),
        new Field('why', 'said'),
        new Field('product', 'string?'),
    ),
]
#[
    Shape(
        'MatchRinse',
        new Field('water', 'string'),
        new Field('residue_mg_m2', 'number?'),
        new Field('spots', 'string?'),
        new Field('working_s', 'number?'),
        new Field('why', 'said'),
    ),
]
#[
    Shape(
        'MatchTowels',
        new Field('large?', 'integer'),
        new Field('medium?', 'integer'),
        new Field('catch?', 'integer'),
        new Field('sills?', 'integer'),
        new Field('wheels?', 'integer'),
    ),
]
#[
    Shape(
        'MatchDrying',
        new Field('way', 'string'),
        new Field('name', 'said'),
        new Field('why', 'said'),
        new Field('how', 'said[]'),
        new Field('litres', 'number'),
        new Field('towels', 'MatchTowels'),
        new Field('may_air_dry', 'boolean'),
        new Field('options', 'MatchWay[]', 'What one may wish for, each with why not'),
    ),
]
#[Shape('MatchWay', new Field('way', 'string'), new Field('name', 'said'), new Field('refused', 'said?'))]
#[Shape('MatchCooling', new Field('from_c', 'number'), new Field('to_c', 'number'))]
#[
    Shape(
        'MatchOffered',
        new Field('id', 'string'),
        new Field('name', 'string'),
        new Field('role', 'string'),
        new Field('zone', 'string'),
    ),
]
#[Shape('MatchSides', new Field('towels', 'integer'), new Field('sides', 'integer'))]
#[
    Shape(
        'MatchSection',
        new Field('step', 'string'),
        new Field('working_s', 'number?'),
        new Field('panels', 'integer'),
        new Field('sections', 'integer'),
        new Field('mode', 'string', null, ['whole', 'goes', 'each', 'none']),
        new Field('says', 'said'),
    ),
]
#[Shape('MatchCaution', new Field('step?', 'string'), new Field('says', 'said'), new Field('grave', 'boolean'))]
#[
    Shape(
        'MatchStep',
        new Field('step', 'string'),
        new Field('name', 'said'),
        new Field('how', 'said[]'),
        new Field('products', 'string[]', 'Keys of products'),
        new Field('cautions', 'MatchCaution[]'),
    ),
]
#[
    Shape(
        'MatchMissing',
        new Field('kind', 'string', null, ['product', 'fact']),
        new Field('says', 'said'),
        new Field('remedy', 'said'),
    ),
]
#[
    Shape(
        'MatchPassed',
        new Field('id', 'string'),
        new Field('name', 'string'),
        new Field('role', 'string'),
        new Field('zone', 'string'),
        new Field('allowed', 'boolean'),
        new Field('reason', 'string?'),
        new Field('says', 'said?'),
        new Field('codes', 'ShelfRemark[]'),
    ),
]
#[Shape('MatchNow', new Field('panel_c', 'number'), new Field('panel_measured', 'boolean'))]
#[
    Shape(
        'BenchExpected',
        new Field('place', 'BenchPlace'),
        new Field('weather', 'BenchWeather'),
        new Field('kinds', 'string[]?', 'What is planned for that day; null when nothing is'),
        new Field('scope', 'string'),
        new Field('crew', 'integer'),
        new Field('members', 'uuid[]'),
        new Field('soil', 'integer', 'As it was last time'),
    ),
]
#[
    Shape(
        'MatchChange',
        new Field('part', 'string'),
        new Field('name', 'said'),
        new Field('was', 'said[]'),
        new Field('becomes', 'said[]'),
    ),
]
#[
    Shape(
        'MatchOtherwise',
        new Field('school', 'string?', 'Null when it is about the place'),
        new Field('side', 'string'),
        new Field('name', 'said'),
        new Field('changes', 'MatchChange[]'),
    ),
]
#[
    Shape(
        'Match',
        new Also(ReckonSchemas::class, 'ReckonedMatch'),
        new Field('totals', 'SheetTotals', 'What the visit comes to, as its sheet will say'),
        new Field('problem', 'said?', 'Why it can’t be worked as it stands'),
        new Field('expected', 'VisitExpected?', 'Of a vehicle of the book and its day'),
    ),
]
#[
    Shape(
        'WeatherHour',
        new Field('at', 'date-time'),
        new Field('air_c', 'number'),
        new Field('rh', 'number'),
        new Field('wind_m_s', 'number'),
        new Field('sun_w_m2', 'number'),
        new Field('cloud', 'number'),
        new Field('rain_mm', 'number'),
        new Field('air_off_k', 'number', 'One standard deviation of the air temperature'),
        new Field('sureness', 'number'),
    ),
]
#[
    Shape(
        'DoseFill',
        new Field('kind', 'string', null, ['bucket', 'sprayer', 'bottle', 'lance']),
        new Field('vessel', 'string?'),
        new Field('vessel_ml', 'number?'),
        new Field('product_id', 'string?'),
        new Field('product', 'said'),
        new Field('for', 'said'),
        new Field('mix_ml', 'number'),
        new Field('product_ml', 'number?'),
        new Field('water_ml', 'number?'),
        new Field('product_low_ml', 'number?'),
        new Field('product_high_ml', 'number?'),
        new Field('times', 'integer'),
        new Field('says', 'said?'),
    ),
]
#[Shape('Doses', new Field('fills', 'DoseFill[]', 'In the order of filling'))]
final class BenchSchemas {}
