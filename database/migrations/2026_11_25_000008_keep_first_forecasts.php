<?php

declare(strict_types=1);

use App\Tenancy\RowSecurity;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // What was said of each layer when it went on, so that one can see later whether it was right. Written once.
        Schema::create('forecasts_made', function (Blueprint $table): void {
            $table->foreignUuid('layer_id')->primary()->constrained()->cascadeOnDelete();
            $table->foreignUuid('workspace_id')->constrained()->cascadeOnDelete();
            $table->timestampTz('made_at');
            $table->jsonb('quantiles');
            $table->index('workspace_id');
        });
        RowSecurity::guard('forecasts_made');
        RowSecurity::appendOnly('forecasts_made');
    }
};
