<?php

declare(strict_types=1);

use App\Tenancy\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('sites', function (Blueprint $table): void {
            // Only who is on its register is let in.
            $table->boolean('by_register')->default(false);
        });
        // A person of a crew who is on a place's register, and until when their papers hold there.
        Schema::create('admissions', function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('site_id')->constrained()->cascadeOnDelete();
            $table->foreignUuid('crew_id')->constrained()->cascadeOnDelete();
            $table->string('person', 120);
            $table->date('valid_until')->nullable();
            $table->unique(['site_id', 'crew_id', 'person']);
            $table->index(['workspace_id', 'site_id']);
        });
        RowSecurity::guard('admissions');
    }
};
