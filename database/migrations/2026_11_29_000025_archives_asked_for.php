<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A whole book is written as a file by the queue too. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('archive_runs', function (Blueprint $table): void {
            $table->string('kind', 4)->default('in');
        });
    }
};
