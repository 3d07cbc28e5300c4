<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Letters go out by mail where it is set up; how each fared is kept with it. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('outbox_messages', function (Blueprint $table): void {
            $table->text('calendar')->nullable();
            $table->string('status', 10)->default('kept');
            $table->integer('tries')->default(0);
            $table->string('fault', 300)->nullable();
            $table->timestampTz('sent_at')->nullable();
        });
    }
};
