<?php

declare(strict_types=1);

namespace App\Door\Http;

use App\Http\OpenApi\Field;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use App\Http\OpenApi\Takes;
use App\Says\Language;
use App\Tenancy\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** The person signed in. */
#[
    Shape(
        'MeInput',
        new Field('name?', 'string'),
        new Field('theme?', 'string', null, ['auto', 'light', 'dark']),
        new Field('language?', 'string?', null, ['en', 'de']),
    ),
]
final class MeController
{
    #[OA\Get(path: '/api/v1/me', operationId: 'me', tags: ['Sign-in'])]
    #[Returns('Me')]
    public function show(Request $request): JsonResponse
    {
        return (new MeResource($request->user()))->response()->setStatusCode(200);
    }

    #[OA\Patch(path: '/api/v1/me', operationId: 'updateMe', tags: ['Sign-in'])]
    #[Takes('MeInput')]
    #[Returns('Me')]
    public function update(Request $request): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();
        $user->update(
            $request->validate([
                'name' => ['sometimes', 'string', 'min:1', 'max:120'],
                'theme' => ['sometimes', 'in:auto,light,dark'],
                'language' => ['sometimes', 'nullable', Rule::enum(Language::class)],
            ]),
        );

        return (new MeResource($user))->response()->setStatusCode(200);
    }
}
