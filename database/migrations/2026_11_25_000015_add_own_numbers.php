<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('workspaces', function (Blueprint $table): void {
            // Numbers of the rules that differ from the working defaults, by id.
            $table->jsonb('numbers')->default('{}');
        });
    }
};
