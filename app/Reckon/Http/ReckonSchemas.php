<?php

declare(strict_types=1);

namespace App\Reckon\Http;

use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;

/**
 * What each model takes and gives (docs/formats.md says what it means). `ReckonXInput` goes into `/reckon/x`, `ReckonX`
 * comes out.
 */
#[
    Shape(
        'ReckonFault',
        new Field('error', 'string', null, ['invalid', 'ambiguous', 'infeasible']),
        new Field('field?', 'string', 'Which one, of what was sent'),
        new Field('message', 'said'),
        new Field('clash?', 'string[]', 'Steps that keep each other from fitting'),
    ),
]
#[
    Shape(
        'ReckonRatioInput',
        new Field('text', 'string', 'As it stands on the label'),
        new Field('cap_ml?', 'number?'),
        new Field('pump_ml?', 'number?'),
        new Field('in_means?', 'string?', 'What “a in b” without units means', ['total', 'water']),
        new Field('fill_ml?', 'number?', 'What is to be filled'),
    ),
]
#[
    Shape(
        'ReckonRatio',
        new Field('share', 'number'),
        new Field('product_ml?', 'number'),
        new Field('water_ml?', 'number'),
        new Field('read_as', 'said'),
    ),
]
#[
    Shape(
        'ReckonWash',
        new Field('day', 'number'),
        new Field('traits?', 'string[]'),
        new Field('drying_aid?', 'boolean'),
    ),
]
#[
    Shape(
        'ReckonWearInput',
        new Field('storage', 'string'),
        new Field('road', 'string'),
        new Field('km_per_week', 'number'),
        new Field('wash?', 'string[]', 'What a usual wash is like'),
        new Field('washes_per_week?', 'number?'),
        new Field('days?', 'number?'),
        new Field('washes?', 'ReckonWash[]'),
    ),
]
#[
    Shape(
        'ReckonWear',
        new Field('idle_per_week', 'number', 'Wear-weeks'),
        new Field('wash_factor', 'number'),
        new Field('per_week', 'number'),
        new Field('worn?', 'number'),
    ),
]
#[
    Shape(
        'ReckonDueInput',
        new Field('label_weeks', 'number[]', 'The shortest and the longest'),
        new Field(
            'others?',
            'object',
            'Layers by vehicle: [held, failed] in wear-weeks, failed null where it held; with learn also {readings: [{wear, holds, after: wash, decon or topper}], until}',
        ),
        new Field('own?', 'pair[]', 'The same of this vehicle'),
        new Field('worn?', 'number?'),
        new Field('learn?', 'boolean', 'Spreads, and how often a reading is wrong, are learnt too'),
    ),
]
#[
    Shape(
        'ReckonDue',
        new Field('product_life', 'number', 'Wear-weeks'),
        new Field('p10', 'number'),
        new Field('p50', 'number'),
        new Field('p90', 'number'),
        new Field('spread_layer?', 'number', 'Of ln life, from layer to layer; with learn'),
        new Field('spread_vehicle?', 'number', 'From vehicle to vehicle'),
        new Field('wrong_share?', 'number', 'Of readings after a wash that fail a sound layer'),
        new Field('rests_on?', 'ReckonRests'),
    ),
]
#[
    Shape(
        'ReckonRests',
        new Field('label', 'number'),
        new Field('product', 'number', 'This product on other vehicles'),
        new Field('vehicle', 'number', 'This product on this vehicle'),
    ),
]
#[
    Shape(
        'ReckonBeadInput',
        new Field('base_mm', 'number'),
        new Field('height_mm', 'number'),
        new Field(
            'water_c?',
            'number?',
            'With it the drop’s own weight is reckoned too: millimetres then are millimetres',
        ),
    ),
]
#[Shape('ReckonBead', new Field('angle_deg', 'number'), new Field('behaviour', 'string'))]
#[
    Shape(
        'ReckonStages',
        new Field('arrival?', 'string'),
        new Field('after_wash?', 'string'),
        new Field('after_decon?', 'string'),
        new Field('after_topper?', 'string'),
    ),
]
#[
    Shape(
        'ReckonParts',
        new Field('top?', 'ReckonStages'),
        new Field('sides?', 'ReckonStages'),
        new Field('low?', 'ReckonStages'),
    ),
]
#[
    Shape(
        'ReckonDiagnoseInput',
        new Field('designed', 'string', null, ['beads', 'sheets']),
        new Field('arrival?', 'string?'),
        new Field('after_wash?', 'string?'),
        new Field('after_decon?', 'string?'),
        new Field('after_topper?', 'string?'),
        new Field('parts?', 'ReckonParts'),
        new Field('topper?', 'boolean'),
        new Field('sheets_s?', 'number?'),
        new Field('sheeted_before_s?', 'number?'),
    ),
]
#[
    Shape(
        'ReckonTraits',
        new Field('role', 'string'),
        new Field('ph', 'number'),
        new Field('leaves', 'string'),
        new Field('strips', 'string'),
        new Field('solvent', 'boolean'),
        new Field('surfaces', 'string[]'),
        new Field('min_c?', 'number?'),
        new Field('max_c?', 'number?'),
        new Field('dwell_min_s?', 'number?'),
        new Field('may_dry', 'boolean'),
        new Field('rinse', 'boolean'),
    ),
]
#[
    Shape(
        'ReckonContext',
        new Field('panel_c?', 'number?'),
        new Field('working_s?', 'number?'),
        new Field('water', 'string', null, ['none', 'tap', 'treated']),
        new Field('purpose', 'string', null, ['maintain', 'reset']),
        new Field('bare_face', 'boolean'),
        new Field('in_stock', 'boolean'),
        new Field('wheel_finish?', 'string?'),
    ),
]
#[
    Shape(
        'ReckonVerdictInput',
        new Field('product', 'ReckonTraits'),
        new Field('zone', 'string'),
        new Field('layer', 'string'),
        new Field('finish', 'string[]'),
        new Field('context', 'ReckonContext'),
    ),
]
#[Shape('ReckonCode', new Field('code', 'string'), new Field('severity', 'string', null, ['block', 'warn']))]
#[Shape('ReckonVerdict', new Field('allowed', 'boolean'), new Field('codes', 'ReckonCode[]'))]
#[
    Shape(
        'ReckonWindowInput',
        new Field('air_c', 'number'),
        new Field('rh', 'number', 'A share'),
        new Field('wind_m_s', 'number'),
        new Field('sun_w_m2', 'number'),
        new Field('absorptance', 'number'),
        new Field('panel_heat_j_m2k', 'number'),
        new Field('panel_c', 'number'),
        new Field('film_kg_m2', 'number'),
    ),
]
#[
    Shape(
        'ReckonWindow',
        new Field('dries_s', 'number?'),
        new Field('working_s', 'number?'),
        new Field('panel_end_c', 'number'),
        new Field('wet_panel_c', 'number'),
        new Field('dry_panel_c', 'number'),
    ),
]
#[
    Shape(
        'ReckonSpotsInput',
        new Field('tds_mg_l?', 'number', 'This or the hardness'),
        new Field('hardness?', 'string', 'Where nobody measured the solids there are at least so many: 12 °dH'),
        new Field('unit?', 'string', 'Of a hardness that is a bare number', ['mg/l', 'ppm', '°dH', '°fH', '°e', 'gpg']),
        new Field('film_kg_m2', 'number'),
        new Field('light_paint?', 'boolean'),
    ),
]
#[
    Shape(
        'ReckonHardnessInput',
        new Field('text', 'string', 'As a report or a test strip says it: 12 °dH, 210 ppm, 8 gpg'),
        new Field('unit?', 'string', 'Of a bare number', ['mg/l', 'ppm', '°dH', '°fH', '°e', 'gpg']),
    ),
]
#[
    Shape(
        'ReckonHardness',
        new Field('mg_l', 'number', 'CaCO₃'),
        new Field('ppm', 'number'),
        new Field('dh', 'number', 'German degrees'),
        new Field('fh', 'number', 'French degrees'),
        new Field('e', 'number', 'English degrees, Clark'),
        new Field('gpg', 'number', 'Grains a US gallon'),
    ),
]
#[Shape('ReckonSpots', new Field('residue_mg_m2', 'number'), new Field('visibility', 'string'))]
#[
    Shape(
        'ReckonTowelsInput',
        new Field('area_m2', 'number'),
        new Field('soil', 'integer'),
        new Field('prerinsed', 'boolean'),
        new Field('sides_per_towel', 'integer'),
    ),
]
#[Shape('ReckonTowels', new Field('sides', 'integer'), new Field('towels', 'integer'))]
#[
    Shape(
        'ReckonLanceInput',
        new Field('washer_l_min?', 'number'),
        new Field('bottle_ml?', 'number'),
        new Field('empties_s?', 'number'),
        new Field('target_share?', 'number', 'At the panel'),
        new Field('bottle_share?', 'number', 'In the bottle'),
        new Field('fill_ml?', 'number?'),
    ),
]
#[
    Shape(
        'ReckonLance',
        new Field('draw_l_min', 'number'),
        new Field('carry', 'number'),
        new Field('bottle_share', 'number'),
        new Field('panel_share', 'number'),
        new Field('reachable', 'boolean'),
        new Field('product_ml?', 'number'),
        new Field('water_ml?', 'number'),
        new Field('max_panel_share?', 'number', 'Where what is wanted can’t be reached'),
    ),
]
#[
    Shape(
        'ReckonLanceSpan',
        new Field('calibrated', 'boolean', 'False: the span within which lances lie'),
        new Field('panel_share_low?', 'number'),
        new Field('panel_share_high?', 'number'),
        new Field('bottle_share_low?', 'number'),
        new Field('bottle_share_high?', 'number'),
    ),
]
#[Shape('ReckonDraw', new Field('start_min', 'number'), new Field('minutes', 'number'), new Field('l_min', 'number'))]
#[
    Shape(
        'ReckonTankInput',
        new Field('tank_l', 'number'),
        new Field('on_below_l', 'number'),
        new Field('make_l_min', 'number'),
        new Field('recovery', 'number'),
        new Field('start_l', 'number'),
        new Field('draws', 'ReckonDraw[]'),
        new Field('horizon_min', 'number'),
        new Field('points?', 'boolean'),
    ),
]
#[
    Shape(
        'ReckonTank',
        new Field('min_l', 'number'),
        new Field('min_at', 'number'),
        new Field('empty_at', 'number?'),
        new Field('short_l', 'number'),
        new Field('end_l', 'number'),
        new Field('made_l', 'number'),
        new Field('feed_l', 'number'),
        new Field('points?', 'TankPoint[]'),
    ),
]
#[
    Shape(
        'ReckonResinInput',
        new Field('resin_l', 'number'),
        new Field('capacity_g_per_l', 'number'),
        new Field('tds_mg_l', 'number'),
        new Field('used_g?', 'number?'),
    ),
]
#[
    Shape(
        'ReckonResin',
        new Field('litres_left', 'number'),
        new Field('share_left', 'number'),
        new Field('warns', 'boolean'),
    ),
]
#[
    Shape(
        'ReckonHour',
        new Field('hour?', 'integer'),
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
        'ReckonCurveInput',
        new Field('hours', 'ReckonHour[]'),
        new Field('tone', 'string'),
        new Field('material?', 'string?'),
        new Field('film?', 'string?'),
        new Field('exposure?', 'string?'),
        new Field('need_s?', 'number?'),
    ),
]
#[
    Shape(
        'ReckonCurveHour',
        new Field('panel_c', 'number'),
        new Field('working_s', 'number?'),
        new Field('suits', 'boolean'),
        new Field(
            'beyond',
            'boolean',
            'Hotter or colder than any panel is reckoned: the figures are those of the nearest that is',
        ),
    ),
]
#[Shape('ReckonCurve', new Field('hours', 'ReckonCurveHour[]'))]
#[
    Shape(
        'ReckonAreaInput',
        new Field('length_m', 'number'),
        new Field('width_m', 'number'),
        new Field('height_m', 'number'),
    ),
]
#[Shape('ReckonArea', new Field('area_m2', 'number'))]
#[
    Shape(
        'ReckonMarks',
        new Field('left', 'number[]', 'Across and down'),
        new Field('right', 'number[]'),
        new Field('top', 'number[]'),
        new Field('near?', 'number[]', 'The nearest point of the foot: how far the camera looks down'),
        new Field('mirror?', 'number[]', 'The top of its mirror image in glossy paint'),
    ),
]
#[
    Shape(
        'ReckonGaugeInput',
        new Field('drops', 'ReckonMarks[]'),
        new Field('marking_px?', 'number?'),
        new Field('mm_per_px?', 'number?', 'The picture’s scale: with it the drop’s own weight is reckoned'),
        new Field('water_c?', 'number?'),
    ),
]
#[
    Shape(
        'ReckonDrop',
        new Field('angle_deg', 'number'),
        new Field('uncertainty_deg', 'number'),
        new Field('looks_down_deg', 'number?'),
    ),
]
#[
    Shape(
        'ReckonGauge',
        new Field('angle_deg', 'number'),
        new Field('uncertainty_deg', 'number'),
        new Field('behaviour', 'string'),
        new Field('or_else', 'string?'),
        new Field('doubts', 'said[]', 'Why the picture may not tell'),
        new Field('drops', 'ReckonDrop[]'),
    ),
]
#[Shape('ReckonDwell', new Field('of', 'string'), new Field('min?', 'integer'), new Field('max?', 'integer'))]
#[
    Shape(
        'ReckonTask',
        new Field('id', 'string'),
        new Field('minutes', 'integer'),
        new Field('people?', 'integer'),
        new Field('after?', 'string[]'),
        new Field('dwell?', 'ReckonDwell?'),
    ),
]
#[Shape('ReckonSheetInput', new Field('crew', 'integer'), new Field('steps', 'ReckonTask[]'))]
#[
    Shape(
        'ReckonPlaced',
        new Field('id', 'string'),
        new Field('start', 'integer'),
        new Field('end', 'integer'),
        new Field('who', 'integer[]'),
    ),
]
#[
    Shape(
        'ReckonSheet',
        new Field('finish', 'integer'),
        new Field('steps', 'ReckonPlaced[]'),
        new Field('slack', '{integer}', 'Minutes by step'),
        new Field('bound', 'integer'),
    ),
]
#[
    Shape(
        'ReckonCoat',
        new Field('family', 'string'),
        new Field('line?', 'string?'),
        new Field('name?', 'string?'),
        new Field('designed?', 'string?'),
    ),
]
#[
    Shape(
        'ReckonStack',
        new Field('unknown?', 'boolean'),
        new Field('base?', 'ReckonCoat?'),
        new Field('topper?', 'ReckonCoat?'),
    ),
]
#[
    Shape(
        'ReckonStacks',
        new Field('paint?', 'ReckonStack'),
        new Field('wheels?', 'ReckonStack'),
        new Field('glass?', 'ReckonStack'),
        new Field('trim?', 'ReckonStack'),
        new Field('tyres?', 'ReckonStack'),
    ),
]
#[
    Shape(
        'ReckonVehicle',
        new Field('paint_m2', 'number'),
        new Field('tone?', 'string?'),
        new Field('hardness?', 'string?', null, ['soft', 'medium', 'hard']),
        new Field('finish?', 'string[]'),
        new Field('wheel_finish?', 'string?'),
        new Field('stacks?', 'ReckonStacks'),
        new Field('renewals?', 'object', 'By zone: due_in_days by caution, failed, suspect'),
        new Field('next_turn_in_days?', 'integer'),
        new Field('material?', 'string?'),
    ),
]
#[
    Shape(
        'ReckonSeen',
        new Field('soil', 'integer'),
        new Field('grit?', 'boolean'),
        new Field('on?', 'string[]'),
        new Field('wheel_soil?', 'integer?'),
        new Field('wheel_iron?', 'boolean'),
        new Field('readings?', 'object', 'By zone and stage'),
        new Field('loose_edges?', 'boolean'),
        new Field('purpose?', 'string?'),
    ),
]
#[
    Shape(
        'ReckonPlace',
        new Field('water?', 'string?', null, ['none', 'tap', 'treated']),
        new Field('tap_tds_mg_l?', 'number?'),
        new Field('tap_hardness_mg_l?', 'number?', 'CaCO₃; stands for the solids where nobody measured them'),
        new Field('treated_tds_mg_l?', 'number?'),
        new Field('pressure?', 'boolean'),
        new Field('power?', 'boolean'),
        new Field('shade?', 'boolean'),
        new Field('bay?', 'boolean'),
        new Field('run_off?', 'string?'),
        new Field('battery?', 'boolean'),
    ),
]
#[
    Shape(
        'ReckonBottle',
        new Field('id?', 'string?'),
        new Field('name', 'string'),
        new Field('line?', 'string?'),
        new Field('role', 'string'),
        new Field('surfaces', 'string[]'),
        new Field('ph?', 'number?'),
        new Field('leaves', 'string'),
        new Field('strips', 'string'),
        new Field('solvent', 'boolean'),
        new Field('min_c?', 'number?'),
        new Field('max_c?', 'number?'),
        new Field('dwell_min_s?', 'number?'),
        new Field('dwell_max_s?', 'number?'),
        new Field('may_dry?', 'boolean?'),
        new Field('rinse?', 'boolean?'),
        new Field('dilutions?', '{string}', 'As on the label, by way of use'),
        new Field('price_minor?', 'number?'),
        new Field('pack_ml?', 'number?'),
        new Field('stock_ml?', 'number?'),
        new Field('in_stock?', 'boolean'),
        new Field('label_high_weeks?', 'number?'),
        new Field('applied?', 'string?'),
        new Field('cautions?', 'string[]'),
        new Field('paste?', 'boolean'),
    ),
]
#[
    Shape(
        'ReckonMatchInput',
        new Field('vehicle', 'ReckonVehicle'),
        new Field('seen', 'ReckonSeen'),
        new Field('place?', 'ReckonPlace'),
        new Field('weather', 'ReckonHour'),
        new Field('panel_c?', 'number?'),
        new Field('shelf', 'ReckonBottle[]'),
        new Field('schools?', '{string}', 'Sides by school'),
        new Field('kinds?', 'string[]?'),
        new Field('scope?', 'string?'),
        new Field('taken?', 'string[]'),
        new Field('body?', 'string?'),
        new Field('compare?', 'boolean', 'Also what other schools and places would change'),
    ),
]
#[
    Shape(
        'ReckonedMatch',
        new Field('possible', 'boolean'),
        new Field('method', 'MatchMethod'),
        new Field('products', 'MatchProduct[]'),
        new Field('topper', 'MatchTopper'),
        new Field('wheel_topper', 'MatchTopper'),
        new Field('final_rinse', 'MatchRinse'),
        new Field('drying', 'MatchDrying'),
        new Field('towels', 'MatchSides?'),
        new Field('sections', 'MatchSection[]'),
        new Field('cooling', 'MatchCooling?'),
        new Field('offered', 'MatchOffered[]', 'Acids, for a person to take'),
        new Field('steps', 'MatchStep[]'),
        new Field('cautions', 'MatchCaution[]'),
        new Field('assumed', 'said[]'),
        new Field('contradictions', 'said[]'),
        new Field('missing', 'MatchMissing[]'),
        new Field('passed', 'MatchPassed[]'),
        new Field('now', 'MatchNow'),
        new Field('schools', 'Sides'),
        new Field('otherwise?', 'MatchOtherwise[]'),
    ),
]
#[
    Shape(
        'ReckonVessel',
        new Field('name', 'string'),
        new Field('kind', 'string', null, ['bucket', 'sprayer', 'bottle', 'lance']),
        new Field('ml', 'number'),
    ),
]
#[
    Shape(
        'ReckonCalibration',
        new Field('washer_l_min', 'number'),
        new Field('bottle_ml', 'number'),
        new Field('empties_s', 'number'),
    ),
]
#[
    Shape(
        'ReckonTankAtHand',
        new Field('holds_l', 'number'),
        new Field('start_l', 'number'),
        new Field('make_l_min?', 'number?'),
    ),
]
#[
    Shape(
        'ReckonTook',
        new Field('kind?', 'string?', 'Null for a whole visit'),
        new Field('person?', 'string?'),
        new Field('vehicle?', 'string?'),
        new Field('estimated', 'number', 'Minutes'),
        new Field('took', 'number'),
    ),
]
#[
    Shape(
        'ReckonVisitInput',
        new Field('vehicle', 'ReckonVehicle'),
        new Field('seen', 'ReckonSeen'),
        new Field('place?', 'ReckonPlace'),
        new Field('weather', 'ReckonHour'),
        new Field('panel_c?', 'number?'),
        new Field('shelf', 'ReckonBottle[]'),
        new Field('schools?', '{string}', 'Sides by school'),
        new Field('kinds?', 'string[]?'),
        new Field('scope?', 'string?'),
        new Field('taken?', 'string[]'),
        new Field('body?', 'string?'),
        new Field('crew?', 'integer'),
        new Field('people?', 'string[]'),
        new Field('vessels?', 'ReckonVessel[]'),
        new Field('lance?', 'ReckonCalibration?'),
        new Field('tank?', 'ReckonTankAtHand?'),
        new Field('pace?', 'ReckonTook[]'),
        new Field('hours?', 'ReckonHour[]'),
        new Field('hour?', 'integer?'),
        new Field('done?', 'string[]', 'Steps that are done already'),
    ),
]
#[
    Shape(
        'ReckonPlanCrew',
        new Field('id', 'string'),
        new Field('people?', 'integer'),
        new Field('minutes', '{integer}', 'By date'),
    ),
]
#[Shape('ReckonBarred', new Field('crew', 'string'), new Field('dates', 'date[]'))]
#[
    Shape(
        'ReckonPlanSite',
        new Field('id', 'string'),
        new Field('hop_min', 'integer'),
        new Field('closed?', 'date[]'),
        new Field('barred?', 'ReckonBarred[]'),
        new Field('papers_until?', 'date?'),
        new Field('bay?', 'boolean'),
    ),
]
#[
    Shape(
        'ReckonCycle',
        new Field('from', 'date'),
        new Field('due', 'date'),
        new Field('late?', 'date?'),
        new Field('repeat_days', 'integer'),
    ),
]
#[
    Shape(
        'ReckonKindMinutes',
        new Field('wash', 'integer'),
        new Field('topper?', 'integer'),
        new Field('decon?', 'integer'),
        new Field('inspection?', 'integer'),
        new Field('base?', 'integer'),
        new Field('recoat?', 'integer'),
    ),
]
#[Shape('ReckonCadence', new Field('min', 'integer'), new Field('target', 'integer'), new Field('max', 'integer'))]
#[Shape('ReckonDeadline', new Field('date', 'date'), new Field('within', 'integer'))]
#[Shape('ReckonDayKinds', new Field('date', 'date'), new Field('kinds', 'string[]'))]
#[
    Shape(
        'ReckonPlanVehicle',
        new Field('id', 'string'),
        new Field('site', 'string'),
        new Field('minutes', 'ReckonKindMinutes'),
        new Field('cadence', 'ReckonCadence'),
        new Field('last_wash', 'date'),
        new Field('topper?', 'ReckonCycle?'),
        new Field('decon?', 'ReckonCycle?'),
        new Field('inspection?', 'ReckonCycle?'),
        new Field('base?', 'ReckonCycle?'),
        new Field('each?', 'string[]', 'Kinds every visit of it holds'),
        new Field('minutes_together?', '{ReckonKindMinutes}', 'By how many work at it'),
        new Field('may_stay?', 'boolean'),
        new Field('spread?', 'number', 'Of ln minutes of a visit'),
        new Field('common?', 'number', 'The part of it that all visits of a day share'),
        new Field('closed?', 'date[]'),
        new Field('deadlines?', 'ReckonDeadline[]'),
        new Field('locks?', 'ReckonDayKinds[]'),
        new Field('without?', 'ReckonDayKinds[]'),
    ),
]
#[
    Shape(
        'ReckonPlanRules',
        new Field('off_target?', 'number'),
        new Field('beyond_max?', 'number'),
        new Field('topper_late?', 'number'),
        new Field('topper_early?', 'number'),
        new Field('decon_late?', 'number'),
        new Field('decon_early?', 'number'),
        new Field('base_late?', 'number'),
        new Field('base_early?', 'number'),
        new Field('poor_weather?', 'number'),
        new Field('travel?', 'number'),
        new Field('overtime?', 'number'),
        new Field('overtime_most?', 'number'),
        new Field('stay?', 'number', 'Points a visit that stands must save before it moves; 3 when left out'),
        new Field('holds?', 'integer', 'Of a hundred days so many hold what they are given; 50 when left out'),
    ),
]
#[
    Shape(
        'ReckonPlanVisit',
        new Field('vehicle', 'string'),
        new Field('date', 'date'),
        new Field('crew', 'string'),
        new Field('kinds', 'string[]'),
    ),
]
#[
    Shape(
        'ReckonPlanInput',
        new Field('start', 'date'),
        new Field('days', 'integer'),
        new Field('crews', 'ReckonPlanCrew[]'),
        new Field('weather?', 'object', 'By date: wash ok, poor or no; topper ok or no'),
        new Field('rules?', 'ReckonPlanRules'),
        new Field('sites', 'ReckonPlanSite[]'),
        new Field('vehicles', 'ReckonPlanVehicle[]'),
        new Field('before?', 'ReckonPlanVisit[]', 'The standing plan'),
        new Field('stay?', 'number?', 'What moving one of it has to save, in points'),
    ),
]
#[Shape('ReckonUnmet', new Field('vehicle', 'string'), new Field('what', 'string'), new Field('why', 'said'))]
#[
    Shape(
        'ReckonPlanCost',
        new Field('cadence', 'number'),
        new Field('topper', 'number'),
        new Field('decon', 'number'),
        new Field('weather', 'number'),
        new Field('travel', 'number'),
        new Field('overtime', 'number'),
        new Field('base', 'number'),
    ),
]
#[
    Shape(
        'ReckonPlan',
        new Field('visits', 'ReckonPlanVisit[]'),
        new Field('unmet', 'ReckonUnmet[]'),
        new Field('cost', 'number'),
        new Field('breakdown', 'ReckonPlanCost'),
        new Field('bound', 'number'),
    ),
]
final class ReckonSchemas {}
