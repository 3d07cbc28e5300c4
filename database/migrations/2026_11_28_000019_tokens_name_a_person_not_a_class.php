<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Who holds a token is called by a word of our own, so that code may move. */
return new class extends Migration {
    public function up(): void
    {
        DB::table('personal_access_tokens')
            ->where('tokenable_type', 'App\Models\User')
            ->update(['tokenable_type' => 'person']);
    }

    public function down(): void
    {
        DB::table('personal_access_tokens')->update(['tokenable_type' => 'App\Models\User']);
    }
};
