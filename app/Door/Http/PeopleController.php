<?php

declare(strict_types=1);

namespace App\Door\Http;

use App\Door\DoorLog;
use App\Door\Invitation;
use App\Door\InvitePerson;
use App\Door\IssueResetLink;
use App\Door\RemoveMember;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use App\Http\OpenApi\Takes;
use App\Problems\Problem;
use App\Standins\Messenger;
use App\Standins\OutboxMessage;
use App\Tenancy\Membership;
use App\Tenancy\PersonalAccessToken;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Says\Said;

/** Who works here, who is invited, what was sent, and the tokens of scripts: the owner's business. */
#[
    Shape(
        'Member',
        new Field('id', 'uuid'),
        new Field('user_id', 'uuid'),
        new Field('name', 'string'),
        new Field('email', 'string'),
        new Field('role', 'string', null, ['owner', 'technician']),
    ),
]
#[
    Shape(
        'Invitation',
        new Field('id', 'uuid'),
        new Field('email', 'string'),
        new Field('role', 'string'),
        new Field('expires_at', 'date-time'),
        new Field('accepted', 'boolean'),
    ),
]
#[Shape('InvitationInput', new Field('email', 'string'), new Field('role', 'string', null, ['owner', 'technician']))]
#[Shape('ResetLink', new Field('url', 'string'))]
#[
    Shape(
        'Message',
        new Field('id', 'uuid'),
        new Field('recipient', 'string'),
        new Field('subject', 'string'),
        new Field('body', 'string'),
        new Field('created_at', 'date-time'),
        new Field('status', 'string', null, [
            OutboxMessage::KEPT,
            OutboxMessage::WAITING,
            OutboxMessage::SENT,
            OutboxMessage::FAILED,
            OutboxMessage::UNCLEAR,
        ]),
        new Field('tries', 'integer'),
        new Field('fault', 'string?', 'What the mail server said'),
    ),
]
#[
    Shape(
        'Token',
        new Field('id', 'integer'),
        new Field('name', 'string'),
        new Field('abilities', 'string[]'),
        new Field('made_by', 'string?'),
        new Field('last_used_at', 'date-time?'),
        new Field('expires_at', 'date-time?'),
        new Field('secret?', 'string', 'Shown once, when it is made'),
    ),
]
#[
    Shape(
        'TokenInput',
        new Field('name', 'string'),
        new Field('abilities', 'string[]', 'read, write, reckon'),
        new Field('days?', 'integer', 'It is good for'),
    ),
]
final class PeopleController
{
    public function __construct(
        private readonly Tenancy $tenancy,
        private readonly DoorLog $doorLog,
        private readonly ClockInterface $clock,
    ) {}

    #[OA\Get(path: '/api/v1/members', operationId: 'listMembers', tags: ['Workspace'])]
    #[Returns('Member', list: true)]
    public function members(): JsonResponse
    {
        return new JsonResponse([
            'data' => Membership::query()
                ->where('workspace_id', $this->tenancy->workspace()->id)
                ->with('user')
                ->orderBy('created_at')
                ->orderBy('id')
                ->get()
                ->map(
                    static fn(Membership $member): array => [
                        'id' => $member->id,
                        'user_id' => $member->user_id,
                        'name' => $member->user->name ?? '',
                        'email' => $member->user->email ?? '',
                        'role' => $member->role,
                    ],
                )
                ->all(),
        ]);
    }

    #[OA\Delete(path: '/api/v1/members/{member}', operationId: 'removeMember', tags: ['Workspace'])]
    #[Returns(null, 204)]
    public function remove(Membership $member, RemoveMember $removeMember): Response
    {
        $this->ownersOnly();
        $removeMember($member);

        return response()->noContent();
    }

    #[
        OA\Post(
            path: '/api/v1/members/{member}/reset-link',
            operationId: 'issueResetLink',
            summary: 'A link for somebody’s new password, to hand on where no mail is set up; shown once',
            tags: ['Workspace'],
        ),
    ]
    #[Returns('ResetLink', 201)]
    public function resetLink(Request $request, Membership $member, IssueResetLink $issueResetLink): JsonResponse
    {
        $this->ownersOnly();
        $by = $request->user();
        abort_unless($by instanceof User, 401);

        return new JsonResponse(['url' => $issueResetLink($member, $by)], 201);
    }

    #[OA\Get(path: '/api/v1/invitations', operationId: 'listInvitations', tags: ['Workspace'])]
    #[Returns('Invitation', list: true)]
    public function invitations(): JsonResponse
    {
        $this->ownersOnly();

        return new JsonResponse([
            'data' => Invitation::query()
                ->orderByDesc('created_at')
                ->limit(100)
                ->get()
                ->map(self::invitation(...))
                ->all(),
        ]);
    }

    #[OA\Post(path: '/api/v1/invitations', operationId: 'invite', tags: ['Workspace'])]
    #[Takes('InvitationInput')]
    #[Returns('Invitation', 201)]
    public function invite(Request $request, InvitePerson $invitePerson): JsonResponse
    {
        $this->ownersOnly();
        $given = $request->validate([
            'email' => ['required', 'email', 'max:200'],
            'role' => ['required', 'in:owner,technician'],
        ]);
        /** @var User $user */
        $user = $request->user();

        $invitation = $invitePerson($user, $given['email'], $given['role']);
        $this->doorLog->note('invited', ['email' => $invitation->email, 'role' => $invitation->role]);

        return new JsonResponse(self::invitation($invitation), 201);
    }

    #[OA\Delete(path: '/api/v1/invitations/{invitation}', operationId: 'withdrawInvitation', tags: ['Workspace'])]
    #[Returns(null, 204)]
    public function withdraw(Invitation $invitation): Response
    {
        $this->ownersOnly();
        $invitation->delete();
        $this->doorLog->note('invitation-withdrawn', ['email' => $invitation->email]);

        return response()->noContent();
    }

    #[
        OA\Get(
            path: '/api/v1/messages',
            operationId: 'listMessages',
            summary: 'Letters, newest first, and how each fared; without mail they are kept here',
            tags: ['Workspace'],
        ),
    ]
    #[Returns('Message', list: true)]
    public function messages(): JsonResponse
    {
        $this->ownersOnly();

        return new JsonResponse([
            'data' => OutboxMessage::query()
                ->orderByDesc('created_at')
                ->limit(100)
                ->get(['id', 'recipient', 'subject', 'body', 'created_at', 'status', 'tries', 'fault']),
        ]);
    }

    #[
        OA\Post(
            path: '/api/v1/messages/{message}/again',
            operationId: 'sendAgain',
            summary: 'Send a letter again that failed, or of which nobody knows whether it went out',
            tags: ['Workspace'],
        ),
    ]
    #[Returns(null, 204)]
    public function sendAgain(OutboxMessage $message, Messenger $messenger): Response
    {
        $this->ownersOnly();
        // A letter of its own: what was tried before stays written down. Of two who press at once, one sends it.
        $mine = OutboxMessage::query()
            ->whereKey($message->id)
            ->whereIn('status', [OutboxMessage::FAILED, OutboxMessage::UNCLEAR])
            ->update(['status' => OutboxMessage::KEPT]);
        if ($mine !== 1) {
            throw Problem::conflict(Said::of('door.letter-goes'));
        }
        $messenger->send(
            $message->recipient,
            $message->subject,
            $message->body,
            $message->workspace_id,
            $message->calendar,
        );

        return response()->noContent();
    }

    #[OA\Get(path: '/api/v1/tokens', operationId: 'listTokens', tags: ['Workspace'])]
    #[Returns('Token', list: true)]
    public function tokens(Request $request): JsonResponse
    {
        $this->ownersOnly();

        return new JsonResponse([
            'data' => PersonalAccessToken::query()
                ->with('tokenable')
                ->where('workspace_id', $this->tenancy->workspace()->id)
                ->orderBy('id')
                ->get()
                ->map(self::token(...))
                ->all(),
        ]);
    }

    #[OA\Post(path: '/api/v1/tokens', operationId: 'createToken', tags: ['Workspace'])]
    #[Takes('TokenInput')]
    #[Returns('Token', 201)]
    public function issue(Request $request): JsonResponse
    {
        $this->ownersOnly();
        $given = $request->validate([
            'name' => ['required', 'string', 'max:120'],
            'abilities' => ['required', 'array', 'min:1'],
            'abilities.*' => ['in:read,write,reckon'],
            'days' => ['sometimes', 'integer', 'between:1,' . config()->integer('vicissa.token_days.most')],
        ]);
        /** @var User $user */
        $user = $request->user();
        $secret = $user->generateTokenString();
        /** @var PersonalAccessToken $token */
        $token = $user->tokens()->create([
            'workspace_id' => $this->tenancy->workspace()->id,
            'name' => $given['name'],
            'token' => hash('sha256', $secret),
            'abilities' => $given['abilities'],
            'expires_at' => $this->clock
                ->now()
                ->modify('+' . ($given['days'] ?? config()->integer('vicissa.token_days.usual')) . ' days'),
        ]);
        $this->doorLog->note('token-made', ['name' => $given['name'], 'may' => implode(', ', $given['abilities'])]);

        return new JsonResponse([...self::token($token), 'secret' => $token->getKey() . '|' . $secret], 201);
    }

    #[
        OA\Delete(
            path: '/api/v1/tokens/{id}',
            operationId: 'revokeToken',
            tags: ['Workspace'],
            parameters: [new OA\PathParameter(name: 'id', required: true, schema: new OA\Schema(type: 'integer'))],
        ),
    ]
    #[Returns(null, 204)]
    public function revoke(int $id): Response
    {
        $this->ownersOnly();
        PersonalAccessToken::query()
            ->where('workspace_id', $this->tenancy->workspace()->id)
            ->whereKey($id)
            ->delete();
        $this->doorLog->note('token-revoked', ['id' => $id]);

        return response()->noContent();
    }

    private function ownersOnly(): void
    {
        Gate::authorize('manage', $this->tenancy->workspace());
    }

    /** @return Told<'Token'> */
    private static function token(PersonalAccessToken $token): array
    {
        $maker = $token->tokenable;

        return [
            ...$token->only(['id', 'name']),
            'abilities' => array_values(array_filter((array) $token->abilities, is_string(...))),
            'made_by' => $maker instanceof User ? $maker->name : null,
            'last_used_at' => $token->last_used_at?->toIso8601ZuluString(),
            'expires_at' => $token->expires_at?->toIso8601ZuluString(),
        ];
    }

    /** @return Told<'Invitation'> */
    private static function invitation(Invitation $invitation): array
    {
        return [
            ...$invitation->only(['id', 'email', 'role']),
            'expires_at' => $invitation->expires_at->toIso8601ZuluString(),
            'accepted' => $invitation->accepted_at !== null,
        ];
    }
}
