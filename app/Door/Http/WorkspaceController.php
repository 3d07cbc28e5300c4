<?php

declare(strict_types=1);

namespace App\Door\Http;

use App\Book\Vehicle;
use App\Door\DoorLog;
use App\Door\RemoveMember;
use App\Door\SignIn;
use App\Film\ForecastLayers;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\IfMatch;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use App\Http\OpenApi\Takes;
use App\Http\Versioned;
use App\Problems\Problem;
use App\Record\RebuildProtection;
use App\Tenancy\Membership;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use App\Tenancy\Workspace;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Says\Said;

#[
    Shape(
        'WorkspaceInput',
        new Field('name?', 'string'),
        new Field('time_zone?', 'string'),
        new Field('units?', 'string', null, ['metric', 'us', 'imperial']),
        new Field('hardness_unit?', 'string', null, ['mg/l', 'ppm', '°dH', '°fH', '°e', 'gpg']),
        new Field('schools?', 'Sides', 'Only the schools that change'),
        new Field('salt_months?', 'integer[]', 'Vehicles that followed the old months follow'),
    ),
]
#[Shape('WorkspaceEndInput', new Field('name', 'string'), new Field('password', 'string'))]
final class WorkspaceController
{
    use Versioned;

    public function __construct(private readonly Tenancy $tenancy) {}

    #[OA\Get(path: '/api/v1/workspace', operationId: 'showWorkspace', tags: ['Workspace'])]
    #[Returns('Workspace')]
    public function show(): JsonResponse
    {
        $workspace = $this->tenancy->workspace();

        return $this->sent(new WorkspaceResource($workspace), $workspace);
    }

    #[
        OA\Patch(
            path: '/api/v1/workspace',
            operationId: 'updateWorkspace',
            summary: 'Change settings; needs If-Match',
            tags: ['Workspace'],
        ),
    ]
    #[IfMatch]
    #[Takes('WorkspaceInput')]
    #[Returns('Workspace')]
    public function update(
        Request $request,
        ForecastLayers $forecastLayers,
        RebuildProtection $rebuildProtection,
    ): JsonResponse {
        Gate::authorize('manage', $this->tenancy->workspace());
        $facts = $request->validate(Workspace::RULES);
        $before = $this->tenancy->workspace()->sides();
        $saltBefore = $this->tenancy->workspace()->salt_months;
        if (isset($facts['salt_months'])) {
            sort($facts['salt_months']);
        }
        /** @var list<int>|null $salt */
        $salt = $facts['salt_months'] ?? null;
        if (isset($facts['schools'])) {
            $facts['schools'] = $before->under(Schools::of($facts['schools']))->named();
        }
        $workspace = $this->changed(
            $request,
            $this->tenancy->workspace(),
            static fn(Workspace $row): WorkspaceResource => new WorkspaceResource($row),
            static function (Workspace $row) use ($facts): void {
                $row->fill($facts);
            },
        );
        $this->tenancy->renew($workspace);
        if ($salt !== null && $salt !== $saltBefore) {
            // Vehicles that went by the workspace's months go by the new ones.
            $followers = Vehicle::query()
                ->whereRaw('salt_months = ?::jsonb', [json_encode($saltBefore)])
                ->get();
            foreach ($followers as $vehicle) {
                $vehicle->update(['salt_months' => $salt, 'version' => $vehicle->version + 1]);
                $rebuildProtection($vehicle);
            }
        }
        if ($workspace->sides()->risk() !== $before->risk() || $salt !== null) {
            // Another caution or season moves every date.
            /** @var list<string> $ids */
            $ids = Vehicle::query()->whereNull('archived_at')->orderBy('id')->pluck('id')->all();
            $forecastLayers($ids);
        }

        return $this->sent(new WorkspaceResource($workspace), $workspace);
    }

    #[
        OA\Post(
            path: '/api/v1/workspaces/{id}/enter',
            operationId: 'enterWorkspace',
            summary: 'Work in another of one’s workspaces',
            tags: ['Workspace'],
        ),
    ]
    #[Returns(null, 204)]
    public function enter(Request $request, string $id): Response
    {
        Membership::query()
            ->where('user_id', $request->user()?->getAuthIdentifier())
            ->where('workspace_id', $id)
            ->first() ?? throw Problem::refused(Said::of('door.not-there'));
        $request->session()->put('workspace_id', $id);

        return response()->noContent();
    }

    #[
        OA\Post(
            path: '/api/v1/workspace/leave',
            operationId: 'leaveWorkspace',
            summary: 'What one has opened here is shut',
            tags: ['Workspace'],
        ),
    ]
    #[Returns(null, 204)]
    public function leave(Request $request, RemoveMember $removeMember): Response
    {
        $removeMember(
            Membership::query()
                ->where('workspace_id', $this->tenancy->workspace()->id)
                ->where('user_id', $request->user()?->getAuthIdentifier())
                ->firstOrFail(),
        );

        return response()->noContent();
    }

    #[
        OA\Post(
            path: '/api/v1/workspace/end',
            operationId: 'endWorkspace',
            summary: 'It goes after some days with all that is in it, unless an owner keeps it; its name is asked for',
            tags: ['Workspace'],
        ),
    ]
    #[Takes('WorkspaceEndInput')]
    #[Returns('Workspace')]
    public function end(Request $request, DoorLog $doorLog, ClockInterface $clock): JsonResponse
    {
        $workspace = $this->tenancy->workspace();
        Gate::authorize('manage', $workspace);
        $given = $request->validate([
            'name' => ['required', 'string', 'max:120'],
            'password' => ['required', 'string', 'max:200'],
        ]);
        /** @var User $user */
        $user = $request->user();
        SignIn::sure($user, $given['password']);
        if (trim($given['name']) !== $workspace->name) {
            throw Problem::field('name', Said::of('door.name-it'));
        }
        $days = config()->integer('vicissa.grace.workspace');
        $workspace->update(['ends_at' => $clock->now()->modify("+{$days} days"), 'version' => $workspace->version + 1]);
        $doorLog->note('workspace-ends', ['days' => $days]);

        return $this->sent(new WorkspaceResource($workspace), $workspace);
    }

    #[OA\Post(path: '/api/v1/workspace/keep', operationId: 'keepWorkspace', tags: ['Workspace'])]
    #[Returns('Workspace')]
    public function keep(DoorLog $doorLog): JsonResponse
    {
        $workspace = $this->tenancy->workspace();
        Gate::authorize('manage', $workspace);
        $workspace->update(['ends_at' => null, 'version' => $workspace->version + 1]);
        $doorLog->note('workspace-kept');

        return $this->sent(new WorkspaceResource($workspace), $workspace);
    }
}
