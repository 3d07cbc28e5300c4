<?php

declare(strict_types=1);

namespace App\Door\Http;

use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use App\Http\RowResource;
use App\Tenancy\Membership;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use Illuminate\Http\Request;

/** @extends RowResource<User> */
#[
    Shape(
        'WorkspaceChoice',
        new Field('id', 'uuid'),
        new Field('name', 'string'),
        new Field('role', 'string', null, ['owner', 'technician']),
    ),
]
#[
    Shape(
        'Me',
        new Field('id', 'uuid'),
        new Field('name', 'string'),
        new Field('email', 'string'),
        new Field('theme', 'string', null, ['auto', 'light', 'dark']),
        new Field('language', 'string?', 'What they read in; that of their browser when null', ['en', 'de']),
        new Field('leaves_at', 'date-time?', 'When the account goes, unless they come back'),
        new Field('role', 'string', null, ['owner', 'technician']),
        new Field('workspace', 'Workspace'),
        new Field('workspaces', 'WorkspaceChoice[]'),
    ),
]
final class MeResource extends RowResource
{
    /** @return Told<'Me'> */
    public function toArray(Request $request): array
    {
        $tenancy = app(Tenancy::class);

        return [
            ...$this->resource->only(['id', 'name', 'email', 'theme', 'language']),
            'leaves_at' => $this->iso($this->leaves_at),
            'role' => $tenancy->isOwner() ? 'owner' : 'technician',
            'workspace' => (new WorkspaceResource($tenancy->workspace()))->toArray($request),
            'workspaces' => array_values(
                Membership::query()
                    ->with('workspace')
                    ->where('user_id', $this->id)
                    ->get()
                    ->map(
                        static fn(Membership $membership): array => [
                            'id' => $membership->workspace_id,
                            'name' => $membership->workspace->name ?? '',
                            'role' => $membership->role,
                        ],
                    )
                    ->all(),
            ),
        ];
    }
}
