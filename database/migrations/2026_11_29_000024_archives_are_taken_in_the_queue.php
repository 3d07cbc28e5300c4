<?php

declare(strict_types=1);

use App\Tenancy\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** How far an archive or a long table that was handed in has come. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('archive_runs', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('asked_by')->nullable()->constrained('users')->nullOnDelete();
            $table->string('status', 12)->default('waiting');
            $table->decimal('progress', 4, 3)->default(0);
            $table->integer('rows')->nullable();
            $table->integer('photos')->nullable();
            $table->jsonb('says')->nullable();
            $table->jsonb('result')->nullable();
            $table->timestampTz('asked_at');
            $table->index(['workspace_id', 'asked_at']);
        });
        RowSecurity::guard('archive_runs', forced: true);
    }
};
