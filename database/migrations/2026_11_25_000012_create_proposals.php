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
        // What a client was asked about a planned visit, and what they answered. One for each visit and day: nothing is
        // sent twice.
        Schema::create('proposals', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            // The visit may be gone by the time somebody answers.
            $table->uuid('visit_id');
            $table->foreignUuid('vehicle_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('client_id')->constrained()->cascadeOnDelete();
            $table->date('on');
            $table->jsonb('kinds');
            $table->string('status', 12)->default('waiting');
            $table->date('wish_on')->nullable();
            $table->string('wish', 400)->nullable();
            $table->timestampTz('asked_at');
            $table->timestampTz('sent_at')->nullable();
            $table->timestampTz('answered_at')->nullable();
            $table->timestampTz('reminded_at')->nullable();
            $table->unique(['visit_id', 'on']);
            $table->index(['workspace_id', 'on']);
        });
        RowSecurity::guard('proposals');
        DB::unprepared(
            <<<'SQL'
            alter table proposals add constraint proposals_status check (status in ('waiting', 'sent', 'accepted', 'asked'));
            create function workspace_of_proposal(proposal uuid) returns uuid
                language sql stable security definer set search_path = public
                as $$ select workspace_id from proposals where id = proposal $$;
            revoke all on function workspace_of_proposal(uuid) from public;
            grant execute on function workspace_of_proposal(uuid) to vicissa_app;
            SQL
            ,
        );
    }
};
