<?php

declare(strict_types=1);

use App\Tenancy\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('products', function (Blueprint $table): void {
            $table->string('supplier', 120)->nullable();
        });
        Schema::table('stock_moves', function (Blueprint $table): void {
            // Of what came in: its batch and until when it is good. Of a count: what was found.
            $table->string('batch', 60)->nullable();
            $table->date('expires_on')->nullable();
            $table->decimal('counted_ml', 11, 1)->nullable();
            $table->string('note', 240)->nullable();
        });
        Schema::table('turn_products', function (Blueprint $table): void {
            $table->string('batch', 60)->nullable();
        });
        // What has been put into the van, for a stretch of days.
        Schema::create('load_ticks', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->date('from_on');
            $table->date('to_on');
            $table->string('line', 80);
            $table->foreignUuid('ticked_by')->nullable()->constrained('users')->nullOnDelete();
            $table->timestampTz('at');
            $table->unique(['workspace_id', 'from_on', 'to_on', 'line']);
        });
        // What an hour, a minute on the road, a litre cost; margins of loads. Empty: the defaults of the core.
        Schema::table('workspaces', function (Blueprint $table): void {
            $table->jsonb('rates')->default('{}');
        });
        // Prices by what is done, body and programme; the programme that is none holds for all.
        Schema::create('prices', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('programme_id')->nullable()->constrained()->cascadeOnDelete();
            $table->string('body', 16);
            $table->string('kind', 12);
            $table->integer('minor');
        });
        Schema::create('quotes', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('client_id')->nullable()->constrained()->nullOnDelete();
            $table->string('title', 160);
            $table->jsonb('facts');
            $table->jsonb('answer');
            $table->timestampTz('made_at');
            $table->foreignUuid('made_by')->nullable()->constrained('users')->nullOnDelete();
            $table->index(['workspace_id', 'made_at']);
        });
        // What a client reads without signing in: one turn, a year, a whole history. The address holds a secret; only
        // its hash is kept.
        Schema::create('record_links', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('vehicle_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('turn_id')->nullable()->constrained()->cascadeOnDelete();
            $table->string('kind', 8);
            $table->date('from_on')->nullable();
            $table->date('to_on')->nullable();
            $table->string('secret_hash', 64)->unique();
            $table->timestampTz('made_at');
            $table->foreignUuid('made_by')->nullable()->constrained('users')->nullOnDelete();
            $table->timestampTz('revoked_at')->nullable();
            $table->timestampTz('read_at')->nullable();
            $table->index(['workspace_id', 'vehicle_id']);
        });
        // Who changed what.
        Schema::create('changes', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->string('what', 24);
            $table->uuid('row_id');
            $table->string('name', 160);
            $table->string('did', 12);
            $table->jsonb('before');
            $table->jsonb('after');
            $table->foreignUuid('by')->nullable()->constrained('users')->nullOnDelete();
            $table->timestampTz('at');
            $table->index(['workspace_id', 'at']);
            $table->index(['row_id', 'at']);
        });
        // What somebody answered in the drill, judgement by judgement.
        Schema::create('drill_answers', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('user_id')->constrained()->cascadeOnDelete();
            $table->jsonb('facts');
            $table->jsonb('given');
            $table->jsonb('right');
            $table->integer('level');
            $table->timestampTz('at');
            $table->index(['workspace_id', 'user_id', 'at']);
        });
        DB::unprepared(
            <<<'SQL'
            alter table gear drop constraint gear_kind;
            alter table gear add constraint gear_kind check (kind in ('washer', 'lance', 'bottle', 'sprayer', 'bucket', 'towel', 'tank', 'ro', 'resin', 'battery', 'blower'));
            alter table gear_events drop constraint gear_events_kind;
            alter table gear_events add constraint gear_events_kind check (kind in ('calibration', 'refill', 'level', 'used', 'washed', 'bought', 'thrown', 'moved'));
            alter table stock_moves add constraint stock_moves_counted check ((kind = 'count') = (counted_ml is not null) and coalesce(counted_ml, 0) >= 0);
            alter table prices add constraint prices_one unique nulls not distinct (workspace_id, programme_id, body, kind), add constraint prices_minor check (minor between 0 and 100000000);
            alter table record_links add constraint record_links_kind check (kind in ('turn', 'year', 'history')), add constraint record_links_of check ((kind = 'turn') = (turn_id is not null));
            alter table load_ticks add constraint load_ticks_span check (to_on >= from_on);
            -- Whose record an address is has to be known before a workspace is.
            create function workspace_of_record_link(hash text) returns uuid
                language sql stable security definer set search_path = public
                as $$ select workspace_id from record_links where secret_hash = hash and revoked_at is null $$;
            revoke all on function workspace_of_record_link(text) from public;
            grant execute on function workspace_of_record_link(text) to vicissa_app;
            -- A client who asks to be forgotten: the record stays, their words and names in it go. What is written once can't be changed by the application itself.
            create function forget_client(client uuid) returns void
                language plpgsql security definer set search_path = public
                as $$
                declare here uuid := nullif(current_setting('vicissa.workspace', true), '')::uuid;
                begin
                    if not exists (select 1 from clients where id = client and workspace_id = here) then
                        raise exception 'no such client here';
                    end if;
                    update turn_entries set note = null where workspace_id = here and note is not null and turn_id in (select t.id from turns t join vehicles v on v.id = t.vehicle_id where v.client_id = client);
                    update sheet_events set facts = case when kind = 'note' then '{}' else facts - 'note' end where workspace_id = here and kind in ('note', 'finish') and sheet_id in (select s.id from sheets s join vehicles v on v.id = s.vehicle_id where v.client_id = client);
                    update quotes set title = 'A quote', client_id = null, facts = '{}', answer = answer - 'vehicles' || '{"vehicles": []}' where workspace_id = here and client_id = client;
                    update changes set name = 'forgotten', before = '{}', after = '{}' where workspace_id = here and (row_id = client
                        or row_id in (select id from vehicles where client_id = client) or row_id in (select id from sites where client_id = client));
                end $$;
            revoke all on function forget_client(uuid) from public;
            grant execute on function forget_client(uuid) to vicissa_app;
            SQL
            ,
        );
        foreach (['load_ticks', 'prices', 'quotes', 'record_links', 'changes', 'drill_answers'] as $table) {
            RowSecurity::guard($table);
        }
        RowSecurity::appendOnly('quotes');
        RowSecurity::appendOnly('drill_answers');
        RowSecurity::appendOnly('changes');
    }
};
