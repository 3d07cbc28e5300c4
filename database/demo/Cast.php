<?php

declare(strict_types=1);

namespace Database\Demo;

/** The Skerrow Isles: who owns what, where it stands and what is on it. All of it invented. */
final class Cast
{
    public const PASSWORD = 'sea-pink-tide';

    /** @return list<array<string, mixed>> */
    public static function clients(): array
    {
        return [
            ['key' => 'quayle', 'name' => 'Ansty Quillan, Funerals', 'contact' => 'Ansty Quillan', 'phone' => '01700 20', 'note' => 'Services decide the day. Cars must stand clean by nine, nothing shiny on the tyres.'],
            ['key' => 'garland', 'name' => 'Garland Wedding Cars', 'contact' => 'Perrin Dowe', 'phone' => '01700 31'],
            ['key' => 'ferry', 'name' => 'Skerrow Ferry Company', 'contact' => 'Yard office', 'phone' => '01700 11', 'note' => 'Shuttles are in between the 10:40 and the 13:20 boat.'],
            ['key' => 'vet', 'name' => 'Hesper Lunn, Vet', 'contact' => 'Hesper Lunn', 'phone' => '01700 47'],
            ['key' => 'observatory', 'name' => 'Nordhope Observatory', 'contact' => 'Day desk', 'phone' => '01700 62'],
            ['key' => 'library', 'name' => 'Isles Mobile Library', 'contact' => 'Odile Farrant', 'phone' => '01700 70'],
            ['key' => 'taxi', 'name' => 'Two Piers Taxis', 'contact' => 'Bram and Lisbet', 'phone' => '01700 55'],
            ['key' => 'riding', 'name' => 'Machair Riding School', 'contact' => 'Ola Wick', 'phone' => '01700 83'],
            ['key' => 'private', 'name' => 'Private owners', 'note' => 'Each at home; phone the evening before.'],
            ['key' => 'baker', 'name' => 'Early Crust Bakery', 'contact' => 'Mair Tolland', 'phone' => '01700 29'],
        ];
    }

    /** @return list<array<string, mixed>> */
    public static function sites(): array
    {
        return [
            ['key' => 'unit', 'latitude' => 57.23, 'longitude' => -7.05, 'name' => 'Our unit, Sandgeo', 'address' => 'Unit 3, Sandgeo slip', 'water' => 'treated', 'tds_mg_l' => 305, 'treated_tds_mg_l' => 9, 'shade' => true, 'surface' => 'Sealed concrete, drain to separator', 'run_off' => 'Interceptor, emptied yearly', 'travel_min' => 0],
            ['key' => 'chapel', 'latitude' => 57.31, 'longitude' => -7.02, 'client' => 'quayle', 'name' => 'Chapel mews', 'address' => 'Behind the chapel, Norhaven', 'water' => 'tap', 'tds_mg_l' => 310, 'surface' => 'Cobbles', 'run_off' => 'Gully to the road: ask the council', 'hours' => '07:00–18:00', 'travel_min' => 15],
            ['key' => 'orangery', 'latitude' => 57.2, 'longitude' => -7.12, 'client' => 'garland', 'name' => 'The old orangery', 'address' => 'Tolsta lane', 'water' => 'tap', 'tds_mg_l' => 70, 'shade' => true, 'pressure' => false, 'surface' => 'Gravel', 'travel_min' => 25],
            ['key' => 'yard', 'latitude' => 57.32, 'longitude' => -7.0, 'client' => 'ferry', 'name' => 'Ferry yard', 'address' => 'East pier, Norhaven', 'water' => 'tap', 'tds_mg_l' => 340, 'power' => false, 'surface' => 'Asphalt by the quay', 'run_off' => 'Nothing may reach the harbour: mat and pump', 'hours' => '10:40–13:20', 'access' => 'Sign the register; bring the insurance certificate', 'certificate' => 120, 'travel_min' => 20],
            ['key' => 'surgery', 'latitude' => 57.22, 'longitude' => -7.08, 'client' => 'vet', 'name' => 'Surgery yard', 'address' => 'Mid Ness', 'water' => 'tap', 'tds_mg_l' => 180, 'surface' => 'Concrete', 'travel_min' => 20],
            ['key' => 'dome', 'latitude' => 57.36, 'longitude' => -7.15, 'client' => 'observatory', 'name' => 'Dome road end', 'address' => 'Nordhope hill', 'water' => 'none', 'surface' => 'Gravel', 'hours' => '12:00–17:00', 'access' => 'No lights or beams after dusk', 'travel_min' => 45],
            ['key' => 'depot', 'latitude' => 57.05, 'longitude' => -7.2, 'client' => 'library', 'name' => 'Library depot', 'address' => 'Southwick', 'water' => 'tap', 'tds_mg_l' => 60, 'surface' => 'Concrete, drain to foul', 'hours' => 'Mondays', 'access' => 'Platform is in the shed; key from the office', 'travel_min' => 35],
            ['key' => 'rank', 'latitude' => 57.06, 'longitude' => -7.22, 'client' => 'taxi', 'name' => 'Two Piers yard', 'address' => 'West pier, Southwick', 'water' => 'tap', 'tds_mg_l' => 65, 'surface' => 'Asphalt', 'travel_min' => 35],
            ['key' => 'stables', 'latitude' => 57.15, 'longitude' => -7.26, 'client' => 'riding', 'name' => 'Machair stables', 'address' => 'Westshore', 'water' => 'tap', 'tds_mg_l' => 95, 'surface' => 'Hardstanding', 'run_off' => 'Reed bed', 'travel_min' => 30],
            ['key' => 'homes-n', 'latitude' => 57.3, 'longitude' => -7.04, 'client' => 'private', 'name' => 'Homes in the north', 'water' => 'tap', 'tds_mg_l' => 325, 'travel_min' => 15],
            ['key' => 'homes-s', 'latitude' => 57.08, 'longitude' => -7.18, 'client' => 'private', 'name' => 'Homes in the south', 'water' => 'tap', 'tds_mg_l' => 62, 'travel_min' => 30],
        ];
    }

    /**
     * Bases: [family, name, line, label low, label high (weeks), age at the start of the year in weeks].
     * Ways: "forecast" renews by the date, "reading" only when the water fails, "every" at each wash, null has no topper.
     *
     * @return list<array<string, mixed>>
     */
    public static function vehicles(): array
    {
        $coated = ['ceramic', 'Ostrand Deep Nine', 'Ostrand', 104, 208, 30];

        return [
            ['name' => 'Hearse', 'schools' => ['caution' => '10'], 'model' => 'Lorne Cortege', 'body' => 'limousine', 'colour' => 'Black', 'tone' => 'black', 'hardness' => 'soft', 'client' => 'quayle', 'site' => 'chapel', 'storage' => 'heated-garage', 'km' => 60, 'cadence' => [3, 7, 12], 'base' => $coated, 'topper' => 'Ostrand Hood', 'way' => 'forecast', 'soap' => 'Merrow Plain', 'aid' => 'Ostrand Drift'],
            ['name' => 'Limousine one', 'model' => 'Lorne Six', 'body' => 'limousine', 'colour' => 'Black', 'tone' => 'black', 'hardness' => 'soft', 'client' => 'quayle', 'site' => 'chapel', 'storage' => 'garage', 'km' => 90, 'cadence' => [3, 7, 14], 'base' => $coated, 'topper' => 'Ostrand Hood', 'way' => 'forecast', 'soap' => 'Merrow Plain', 'aid' => 'Ostrand Drift'],
            ['name' => 'Limousine two', 'model' => 'Lorne Six', 'body' => 'limousine', 'colour' => 'Black', 'tone' => 'black', 'hardness' => 'soft', 'client' => 'quayle', 'site' => 'chapel', 'storage' => 'garage', 'km' => 90, 'cadence' => [3, 7, 14], 'base' => $coated, 'topper' => 'Ostrand Hood', 'way' => 'reading', 'soap' => 'Merrow Plain'],
            ['name' => 'The ivory tourer', 'schools' => ['topper' => 'when-it-fails', 'towel' => 'pre-damped'], 'model' => 'Ambry 20', 'body' => 'tourer', 'colour' => 'Ivory', 'tone' => 'white', 'hardness' => 'soft', 'finish' => ['single-stage'], 'wheel' => 'chrome', 'client' => 'garland', 'site' => 'orangery', 'storage' => 'garage', 'km' => 30, 'cadence' => [5, 14, 28], 'base' => ['wax', 'Merrow Paste', 'Merrow', 6, 12, 3], 'topper' => 'Merrow Ivory', 'way' => 'reading', 'soap' => 'Merrow Wax Soap', 'aid' => 'Merrow Driftwax'],
            ['name' => 'Shuttle Arctica', 'model' => 'Fulmar 16', 'body' => 'minibus', 'colour' => 'White', 'tone' => 'white', 'finish' => ['decals'], 'client' => 'ferry', 'site' => 'yard', 'storage' => 'harsh', 'km' => 350, 'cadence' => [5, 10, 18], 'base' => ['polymer', 'Pelt Base', 'Pelt', 13, 26, 8], 'topper' => 'Pelt Mist', 'way' => 'reading', 'soap' => 'Merrow Plain'],
            ['name' => 'Shuttle Borealis', 'model' => 'Fulmar 16', 'body' => 'minibus', 'colour' => 'White', 'tone' => 'white', 'finish' => ['decals'], 'client' => 'ferry', 'site' => 'yard', 'storage' => 'harsh', 'km' => 320, 'cadence' => [5, 10, 18], 'base' => ['polymer', 'Pelt Base', 'Pelt', 13, 26, 8], 'topper' => 'Pelt Mist', 'way' => 'forecast', 'soap' => 'Merrow Plain'],
            ['name' => 'Shuttle Corrie', 'model' => 'Fulmar 16', 'body' => 'minibus', 'colour' => 'White', 'tone' => 'white', 'finish' => ['decals'], 'client' => 'ferry', 'site' => 'yard', 'storage' => 'harsh', 'km' => 380, 'cadence' => [5, 10, 18], 'base' => ['polymer', 'Pelt Base', 'Pelt', 13, 26, 8], 'topper' => 'Ostrand Hood', 'way' => 'reading', 'soap' => 'Merrow Plain'],
            ['name' => 'The vet’s pickup', 'model' => 'Drover 4', 'body' => 'pickup', 'colour' => 'Moss green', 'tone' => 'dark', 'hardness' => 'hard', 'client' => 'vet', 'site' => 'surgery', 'storage' => 'outdoors', 'road' => 'unpaved', 'km' => 420, 'cadence' => [7, 14, 21], 'base' => ['ceramic', 'Ostrand Field', 'Ostrand', 78, 156, 20], 'topper' => 'Ostrand Hood', 'way' => 'forecast', 'soap' => 'Merrow Plain', 'prewash' => 'Vell Citron', 'aid' => 'Ostrand Drift'],
            ['name' => 'Observatory estate', 'model' => 'Lumen E', 'body' => 'estate', 'colour' => 'Slate matte wrap', 'tone' => 'dark', 'finish' => ['matte'], 'client' => 'observatory', 'site' => 'dome', 'storage' => 'carport', 'road' => 'unpaved', 'km' => 180, 'cadence' => [7, 18, 30], 'base' => ['wrap', 'Matte wrap', null, 156, 312, 40], 'topper' => 'Ostrand Hood', 'way' => 'reading', 'method' => 'rinseless', 'soap' => 'Merrow Bucket'],
            ['name' => 'Mobile library', 'material' => 'fibreglass', 'model' => 'Folio 84', 'body' => 'coach', 'colour' => 'Cream and blue', 'tone' => 'silver', 'finish' => ['decals'], 'client' => 'library', 'site' => 'depot', 'storage' => 'outdoors', 'km' => 240, 'cadence' => [14, 28, 42], 'base' => ['polymer', 'Pelt Base', 'Pelt', 13, 26, 5], 'topper' => 'Pelt Mist', 'way' => 'forecast', 'soap' => 'Merrow Plain', 'minutes' => 210],
            ['name' => 'Taxi seven', 'model' => 'Tern Saloon', 'body' => 'saloon', 'colour' => 'Silver', 'tone' => 'silver', 'client' => 'taxi', 'site' => 'rank', 'storage' => 'outdoors', 'km' => 900, 'cadence' => [3, 7, 12], 'base' => ['silica-spray', 'Ostrand Hood', 'Ostrand', 6, 10, 2], 'topper' => 'Ostrand Hood', 'way' => 'reading', 'soap' => 'Merrow Plain', 'prewash' => 'Vell Citron'],
            ['name' => 'Taxi nine', 'model' => 'Tern Saloon', 'body' => 'saloon', 'colour' => 'Silver', 'tone' => 'silver', 'client' => 'taxi', 'site' => 'rank', 'storage' => 'outdoors', 'km' => 850, 'cadence' => [3, 7, 12], 'base' => ['polymer', 'Pelt Base', 'Pelt', 13, 26, 6], 'topper' => 'Pelt Mist', 'way' => 'reading', 'soap' => 'Merrow Plain', 'prewash' => 'Vell Citron'],
            ['name' => 'Horsebox', 'material' => 'aluminium', 'model' => 'Paddock 75', 'body' => 'horsebox', 'colour' => 'Bottle green', 'tone' => 'dark', 'finish' => ['decals'], 'client' => 'riding', 'site' => 'stables', 'storage' => 'outdoors', 'road' => 'unpaved', 'km' => 90, 'cadence' => [14, 28, 45], 'base' => ['wax', 'Merrow Paste', 'Merrow', 6, 12, 3], 'topper' => 'Merrow Ivory', 'way' => 'forecast', 'soap' => 'Merrow Wax Soap', 'minutes' => 160],
            ['name' => 'Dagny’s red hatch', 'model' => 'Wren', 'body' => 'hatch', 'colour' => 'Rowan red', 'tone' => 'mid', 'client' => 'private', 'site' => 'homes-s', 'storage' => 'carport', 'km' => 160, 'cadence' => [7, 14, 28], 'base' => $coated, 'topper' => 'Ostrand Hood', 'way' => 'forecast', 'soap' => 'Merrow Plain', 'aid' => 'Ostrand Drift'],
            ['name' => 'The Tollands’ electric', 'model' => 'Lumen Petit', 'body' => 'small', 'colour' => 'Pearl', 'tone' => 'white', 'client' => 'private', 'site' => 'homes-n', 'storage' => 'outdoors', 'km' => 140, 'cadence' => [7, 21, 35], 'base' => ['film', 'Clear film, full front', null, 260, 520, 60], 'topper' => 'Ostrand Hood', 'way' => 'forecast', 'soap' => 'Merrow Plain'],
            ['name' => 'Doctor’s estate', 'model' => 'Tern Estate', 'body' => 'estate', 'colour' => 'Midnight', 'tone' => 'black', 'hardness' => 'hard', 'client' => 'private', 'site' => 'homes-n', 'storage' => 'outdoors', 'km' => 320, 'cadence' => [7, 14, 28], 'base' => $coated, 'topper' => 'Ostrand Hood', 'way' => 'reading', 'soap' => 'Merrow Plain', 'aid' => 'Ostrand Drift'],
            ['name' => 'Ferrymaster’s saloon', 'model' => 'Lorne Four', 'body' => 'saloon', 'colour' => 'Claret', 'tone' => 'dark', 'client' => 'private', 'site' => 'homes-n', 'storage' => 'garage', 'km' => 80, 'cadence' => [10, 21, 35], 'base' => ['wax', 'Merrow Paste', 'Merrow', 6, 12, 4], 'topper' => 'Merrow Ivory', 'way' => 'reading', 'soap' => 'Merrow Wax Soap', 'aid' => 'Merrow Driftwax'],
            ['name' => 'Bakery van', 'model' => 'Fulmar Cargo', 'body' => 'van', 'colour' => 'Butter yellow', 'tone' => 'silver', 'finish' => ['decals'], 'client' => 'baker', 'site' => 'homes-s', 'storage' => 'outdoors', 'km' => 300, 'cadence' => [7, 14, 28], 'base' => ['polymer', 'Pelt Base', 'Pelt', 13, 26, 3], 'topper' => 'Pelt Mist', 'way' => 'forecast', 'soap' => 'Merrow Plain'],
            ['name' => 'Organist’s small car', 'model' => 'Wren', 'body' => 'small', 'colour' => 'Sky', 'tone' => 'mid', 'client' => 'private', 'site' => 'homes-s', 'storage' => 'outdoors', 'km' => 60, 'cadence' => [14, 28, 45], 'base' => ['silica-spray', 'Ostrand Hood', 'Ostrand', 6, 10, 1], 'topper' => 'Ostrand Hood', 'way' => 'forecast', 'soap' => 'Merrow Plain'],
            ['name' => 'Lighthouse runabout', 'model' => 'Drover 2', 'body' => 'suv', 'colour' => 'Sand', 'tone' => 'mid', 'client' => 'private', 'site' => 'homes-n', 'storage' => 'harsh', 'road' => 'unpaved', 'km' => 120, 'cadence' => [10, 21, 35], 'base' => ['ceramic', 'Ostrand Field', 'Ostrand', 78, 156, 50], 'topper' => 'Ostrand Hood', 'way' => 'reading', 'soap' => 'Merrow Plain'],
            ['name' => 'Schoolteacher’s hatch', 'schools' => ['topper' => 'every-wash'], 'model' => 'Wren', 'body' => 'hatch', 'colour' => 'White', 'tone' => 'white', 'client' => 'private', 'site' => 'homes-s', 'storage' => 'outdoors', 'km' => 200, 'cadence' => [10, 21, 35], 'base' => ['silica-spray', 'Ostrand Hood', 'Ostrand', 6, 10, 2], 'topper' => 'Glint Quick', 'way' => 'every', 'soap' => 'Merrow Plain'],
            ['name' => 'Harbour pilot’s coupé', 'model' => 'Ambry GT', 'body' => 'tourer', 'colour' => 'Petrol blue', 'tone' => 'dark', 'hardness' => 'soft', 'wheel' => 'gloss-black', 'client' => 'private', 'site' => 'unit', 'storage' => 'garage', 'km' => 110, 'cadence' => [7, 14, 28], 'base' => $coated, 'topper' => 'Ostrand Hood', 'way' => 'forecast', 'soap' => 'Merrow Plain', 'aid' => 'Ostrand Drift', 'wheels' => true],
            ['name' => 'Our van', 'model' => 'Fulmar Cargo', 'body' => 'van', 'colour' => 'Graphite', 'tone' => 'dark', 'client' => null, 'site' => 'unit', 'storage' => 'outdoors', 'km' => 450, 'cadence' => [7, 14, 30], 'base' => ['ceramic', 'Ostrand Field', 'Ostrand', 78, 156, 60], 'topper' => 'Pelt Mist', 'way' => 'reading', 'soap' => 'Merrow Plain'],
            ['name' => 'Postmistress’s hatch', 'model' => 'Wren', 'body' => 'hatch', 'colour' => 'Faded red', 'tone' => 'mid', 'client' => 'private', 'site' => 'homes-n', 'storage' => 'outdoors', 'km' => 150, 'cadence' => [14, 35, 60], 'base' => null, 'unknown' => true, 'topper' => null, 'way' => null, 'soap' => 'Merrow Plain'],
        ];
    }

    /** The sides Marram & Sedge take, where they differ from the usual. */
    /** The isles’ roads are salted from November to March. */
    public const SALT_MONTHS = [11, 12, 1, 2, 3];

    public const SCHOOLS = ['method' => 'multi-towel', 'bare-face' => 'refused', 'towel' => 'pre-damped', 'caution' => '30'];

    /** Median true lives in wear-weeks. The forecast never sees them; it has the labels and the readings. */
    public const TRUE_LIFE = ['Ostrand Hood' => 6.9, 'Pelt Mist' => 7.6, 'Merrow Ivory' => 3.4, 'Glint Quick' => 0.8, 'Ostrand Wheel Hood' => 3.1];

    /** @return list<array<string, mixed>> */
    public static function products(): array
    {
        $gloves = 'Gloves and eye protection; its safety sheet decides.';
        $paint = ['paint', 'glass', 'trim', 'wheels'];

        return [
            ['name' => 'Merrow Plain', 'line' => 'Merrow', 'maker' => 'Merrow & Daughter', 'role' => 'soap', 'surfaces' => $paint, 'ph' => 7, 'rinse' => true, 'may_dry' => false, 'min_c' => 2, 'max_c' => 35, 'dilutions' => ['bucket' => '1:500', 'lance' => '0.8 %'], 'pack_ml' => 5000, 'price_minor' => 3400, 'stock_ml' => 3600, 'reorder_ml' => 1000],
            ['name' => 'Merrow Wax Soap', 'line' => 'Merrow', 'maker' => 'Merrow & Daughter', 'role' => 'soap', 'surfaces' => ['paint', 'trim'], 'ph' => 7, 'leaves' => 'wax', 'rinse' => true, 'may_dry' => false, 'min_c' => 5, 'max_c' => 30, 'dilutions' => ['bucket' => '2 caps per 10 l'], 'pack_ml' => 1000, 'price_minor' => 1500, 'stock_ml' => 640, 'reorder_ml' => 250],
            ['name' => 'Merrow Bucket', 'line' => 'Merrow', 'maker' => 'Merrow & Daughter', 'role' => 'rinseless', 'surfaces' => ['paint', 'glass', 'trim', 'wheels'], 'ph' => 7, 'min_c' => 2, 'max_c' => 40, 'dilutions' => ['bucket' => '1 fl oz per 2 gal', 'sprayer' => '1:128'], 'pack_ml' => 1000, 'price_minor' => 2600, 'stock_ml' => 420, 'reorder_ml' => 200],
            ['name' => 'Merrow Dry Guide', 'line' => 'Merrow', 'maker' => 'Merrow & Daughter', 'role' => 'waterless', 'surfaces' => ['paint', 'glass'], 'ph' => 7, 'leaves' => 'wax', 'min_c' => 5, 'max_c' => 30, 'dilutions' => ['bottle' => 'neat'], 'pack_ml' => 500, 'price_minor' => 1400, 'stock_ml' => 0, 'reorder_ml' => 250],
            ['name' => 'Vell Lather', 'line' => 'Vell', 'maker' => 'Vell Works', 'role' => 'foam', 'surfaces' => $paint, 'ph' => 7.5, 'rinse' => true, 'may_dry' => false, 'dwell_min_s' => 180, 'dwell_max_s' => 480, 'min_c' => 2, 'max_c' => 35, 'dilutions' => ['lance' => '1.2 %'], 'pack_ml' => 5000, 'price_minor' => 4200, 'stock_ml' => 2800, 'reorder_ml' => 1000, 'cautions' => ['Foam is slippery underfoot.']],
            ['name' => 'Vell Citron', 'line' => 'Vell', 'maker' => 'Vell Works', 'role' => 'prewash', 'surfaces' => ['paint', 'wheels', 'trim'], 'ph' => 11.6, 'strips' => 'slight', 'rinse' => true, 'may_dry' => false, 'dwell_min_s' => 60, 'dwell_max_s' => 240, 'min_c' => 5, 'max_c' => 30, 'dilutions' => ['sprayer' => '1:15'], 'pack_ml' => 5000, 'price_minor' => 3900, 'stock_ml' => 4100, 'reorder_ml' => 1000, 'cautions' => [$gloves]],
            ['name' => 'Vell Reset', 'line' => 'Vell', 'maker' => 'Vell Works', 'role' => 'prewash', 'surfaces' => ['paint'], 'ph' => 13, 'strips' => 'strong', 'rinse' => true, 'may_dry' => false, 'dwell_min_s' => 120, 'dwell_max_s' => 300, 'min_c' => 5, 'max_c' => 25, 'dilutions' => ['sprayer' => '1:5'], 'pack_ml' => 1000, 'price_minor' => 1900, 'stock_ml' => 900, 'reorder_ml' => 250, 'cautions' => [$gloves, 'Never together with an acid.']],
            ['name' => 'Vell Rust Bloom', 'line' => 'Vell', 'maker' => 'Vell Works', 'role' => 'iron', 'surfaces' => ['paint', 'wheels'], 'ph' => 6.5, 'rinse' => true, 'may_dry' => false, 'dwell_min_s' => 120, 'dwell_max_s' => 300, 'min_c' => 5, 'max_c' => 30, 'dilutions' => ['bottle' => 'RTU'], 'pack_ml' => 1000, 'price_minor' => 2100, 'stock_ml' => 1450, 'reorder_ml' => 500, 'cautions' => [$gloves, 'Moving air; a respirator if the sheet says so.']],
            ['name' => 'Vell Tarlift', 'line' => 'Vell', 'maker' => 'Vell Works', 'role' => 'tar', 'surfaces' => ['paint', 'wheels'], 'ph' => 7, 'strips' => 'strong', 'solvent' => true, 'rinse' => true, 'may_dry' => false, 'dwell_min_s' => 30, 'dwell_max_s' => 180, 'min_c' => 5, 'max_c' => 25, 'dilutions' => ['bottle' => 'neat'], 'pack_ml' => 500, 'price_minor' => 1300, 'stock_ml' => 380, 'reorder_ml' => 250, 'cautions' => [$gloves, 'Solvent: moving air, no flame.']],
            ['name' => 'Vell Wheel Soft', 'line' => 'Vell', 'maker' => 'Vell Works', 'role' => 'wheel', 'surfaces' => ['wheels'], 'ph' => 8, 'rinse' => true, 'may_dry' => false, 'dwell_min_s' => 60, 'dwell_max_s' => 240, 'min_c' => 5, 'max_c' => 35, 'dilutions' => ['wheel' => '1:4'], 'pack_ml' => 5000, 'price_minor' => 3600, 'stock_ml' => 2200, 'reorder_ml' => 1000, 'cautions' => ['Never on hot wheels or friction surfaces. Try the brakes at walking pace before leaving.']],
            ['name' => 'Vell Wheel Sharp', 'line' => 'Vell', 'maker' => 'Vell Works', 'role' => 'wheel', 'surfaces' => ['wheels'], 'ph' => 2, 'strips' => 'slight', 'rinse' => true, 'may_dry' => false, 'dwell_min_s' => 30, 'dwell_max_s' => 90, 'min_c' => 5, 'max_c' => 25, 'dilutions' => ['wheel' => '1:3'], 'pack_ml' => 1000, 'price_minor' => 1600, 'stock_ml' => 700, 'reorder_ml' => 0, 'cautions' => [$gloves, 'Acid: never with other cleaners, never on bare metal. Try the brakes before leaving.']],
            ['name' => 'Ostrand Slip', 'line' => 'Ostrand', 'maker' => 'Ostrand House', 'role' => 'clay-lube', 'surfaces' => ['paint', 'glass'], 'ph' => 7, 'rinse' => true, 'min_c' => 5, 'max_c' => 30, 'dilutions' => ['bottle' => '1:20'], 'pack_ml' => 1000, 'price_minor' => 1700, 'stock_ml' => 600, 'reorder_ml' => 200],
            ['name' => 'Ostrand Drift', 'line' => 'Ostrand', 'maker' => 'Ostrand House', 'role' => 'drying-aid', 'surfaces' => ['paint', 'glass'], 'ph' => 7, 'leaves' => 'silica', 'applied' => 'drying-aid', 'min_c' => 5, 'max_c' => 35, 'dilutions' => ['bottle' => '1:4'], 'pack_ml' => 1000, 'price_minor' => 2800, 'stock_ml' => 520, 'reorder_ml' => 250],
            ['name' => 'Merrow Driftwax', 'line' => 'Merrow', 'maker' => 'Merrow & Daughter', 'role' => 'drying-aid', 'surfaces' => ['paint'], 'ph' => 7, 'leaves' => 'wax', 'applied' => 'drying-aid', 'min_c' => 5, 'max_c' => 30, 'dilutions' => ['bottle' => 'neat'], 'pack_ml' => 500, 'price_minor' => 1600, 'stock_ml' => 310, 'reorder_ml' => 150],
            ['name' => 'Ostrand Hood', 'line' => 'Ostrand', 'maker' => 'Ostrand House', 'role' => 'topper', 'surfaces' => ['paint', 'glass', 'wheels'], 'ph' => 7, 'leaves' => 'silica', 'family' => 'silica-spray', 'applied' => 'wet-rinse', 'rinse' => true, 'may_dry' => false, 'dwell_min_s' => 30, 'dwell_max_s' => 60, 'min_c' => 5, 'max_c' => 30, 'label_low_weeks' => 6, 'label_high_weeks' => 10, 'dilutions' => ['bottle' => 'neat'], 'pack_ml' => 1000, 'price_minor' => 3900, 'stock_ml' => 1300, 'reorder_ml' => 500],
            ['name' => 'Ostrand Wheel Hood', 'line' => 'Ostrand', 'maker' => 'Ostrand House', 'role' => 'topper', 'surfaces' => ['wheels'], 'ph' => 7, 'leaves' => 'silica', 'family' => 'silica-spray', 'applied' => 'wet-rinse', 'rinse' => true, 'may_dry' => false, 'dwell_min_s' => 30, 'dwell_max_s' => 60, 'min_c' => 5, 'max_c' => 30, 'label_low_weeks' => 3, 'label_high_weeks' => 8, 'dilutions' => ['bottle' => 'neat'], 'pack_ml' => 500, 'price_minor' => 2400, 'stock_ml' => 350, 'reorder_ml' => 150, 'cautions' => ['Never on brake discs or pads.']],
            ['name' => 'Pelt Mist', 'line' => 'Pelt', 'maker' => 'Pelt Brothers', 'role' => 'topper', 'surfaces' => ['paint', 'trim'], 'ph' => 7, 'leaves' => 'polymer', 'family' => 'polymer', 'applied' => 'foam-rinse', 'rinse' => true, 'may_dry' => false, 'dwell_min_s' => 30, 'dwell_max_s' => 120, 'min_c' => 5, 'max_c' => 30, 'label_low_weeks' => 8, 'label_high_weeks' => 16, 'dilutions' => ['lance' => '2 %'], 'pack_ml' => 5000, 'price_minor' => 7200, 'stock_ml' => 3100, 'reorder_ml' => 1000],
            ['name' => 'Merrow Ivory', 'line' => 'Merrow', 'maker' => 'Merrow & Daughter', 'role' => 'topper', 'surfaces' => ['paint'], 'ph' => 7, 'leaves' => 'wax', 'family' => 'wax', 'applied' => 'wipe', 'min_c' => 8, 'max_c' => 28, 'label_low_weeks' => 4, 'label_high_weeks' => 8, 'dilutions' => ['bottle' => 'neat'], 'pack_ml' => 500, 'price_minor' => 2700, 'stock_ml' => 240, 'reorder_ml' => 150],
            ['name' => 'Glint Quick', 'line' => 'Glint', 'maker' => 'Glint Supply', 'role' => 'topper', 'surfaces' => ['paint', 'glass', 'trim'], 'ph' => 7, 'leaves' => 'oils', 'family' => 'silica-spray', 'applied' => 'wipe', 'min_c' => 5, 'max_c' => 35, 'label_low_weeks' => 1, 'label_high_weeks' => 2, 'dilutions' => ['bottle' => 'neat'], 'pack_ml' => 500, 'price_minor' => 900, 'stock_ml' => 450, 'reorder_ml' => 0, 'cautions' => ['A show shine: looks good for days, protects hardly at all.']],
            ['name' => 'Clearpane', 'maker' => 'Merrow & Daughter', 'line' => 'Merrow', 'role' => 'glass', 'surfaces' => ['glass'], 'ph' => 8.5, 'dilutions' => ['bottle' => 'neat'], 'pack_ml' => 1000, 'price_minor' => 900, 'stock_ml' => 700, 'reorder_ml' => 250],
            ['name' => 'Blackstrand Satin', 'maker' => 'Pelt Brothers', 'line' => 'Pelt', 'role' => 'tyre', 'surfaces' => ['tyres', 'trim'], 'ph' => 7, 'leaves' => 'oils', 'dwell_min_s' => 300, 'dwell_max_s' => 600, 'dilutions' => ['tyre' => 'neat'], 'pack_ml' => 1000, 'price_minor' => 1800, 'stock_ml' => 560, 'reorder_ml' => 250, 'cautions' => ['Keep off treads and brake discs.']],
            ['name' => 'Sill & Sash', 'maker' => 'Merrow & Daughter', 'line' => 'Merrow', 'role' => 'trim', 'surfaces' => ['trim'], 'ph' => 7, 'leaves' => 'polymer', 'dilutions' => ['bottle' => 'neat'], 'pack_ml' => 500, 'price_minor' => 1500, 'stock_ml' => 300, 'reorder_ml' => 100],
        ];
    }
}
