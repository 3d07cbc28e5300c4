<?php

declare(strict_types=1);

namespace App\Http;

use App\Tenancy\Tenancy;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Rules\Exists;

/** Shared by requests that write a workspace's rows. Who may is the routes' business (policies). */
abstract class FactsRequest extends FormRequest
{
    public function authorize(): bool
    {
        return true;
    }

    /** A row of this workspace: the database itself can't see any other. */
    protected function mine(string $table): Exists
    {
        return Rule::exists($table, 'id')->where('workspace_id', app(Tenancy::class)->workspace()->id);
    }
}
