<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A photo is of a vehicle's zone, or of a product's label. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            alter table photos alter vehicle_id drop not null, alter zone drop not null, add product_id uuid;
            alter table photos
                add constraint photos_product_id_foreign foreign key (workspace_id, product_id)
                    references products (workspace_id, id) on delete cascade,
                drop constraint photos_stage,
                add constraint photos_stage check (stage in ('before', 'during', 'after', 'label')),
                add constraint photos_of check (case when stage = 'label' then product_id is not null and vehicle_id is null and zone is null
                    else product_id is null and vehicle_id is not null and zone is not null end);
            create index photos_product on photos (product_id, taken_at) where product_id is not null;
            SQL
            ,
        );
    }

    public function down(): void
    {
        DB::unprepared(
            <<<'SQL'
            delete from photos where stage = 'label';
            drop index photos_product;
            alter table photos drop constraint photos_of, drop constraint photos_stage,
                add constraint photos_stage check (stage in ('before', 'during', 'after')),
                drop constraint photos_product_id_foreign, drop product_id, alter zone set not null, alter vehicle_id set not null;
            SQL
            ,
        );
    }
};
