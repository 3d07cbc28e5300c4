<?php

declare(strict_types=1);

namespace App\Turns\Http;

use App\Book\Vehicle;
use App\Http\OpenApi\Returns;
use App\Http\Paged;
use App\Problems\Problem;
use App\Record\Photo;
use App\Record\Sheet;
use App\Tenancy\User;
use App\Turns\KeepPhoto;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Storage;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Says\Said;

/** Photos of a vehicle, before, during and after. */
final class PhotoController
{
    use Paged;

    private const MOST_KB = 10_000;

    #[
        OA\Get(
            path: '/api/v1/vehicles/{vehicle}/photos',
            operationId: 'listPhotos',
            summary: 'Newest first',
            tags: ['Photos'],
            parameters: [new OA\QueryParameter(name: 'limit', schema: new OA\Schema(type: 'integer', maximum: 200))],
        ),
    ]
    #[Returns('Photo', list: true)]
    public function index(Request $request, Vehicle $vehicle): JsonResponse
    {
        Gate::authorize('view', $vehicle);

        return new JsonResponse([
            'data' => Photo::query()
                ->where('vehicle_id', $vehicle->id)
                ->orderByDesc('taken_at')
                ->orderByDesc('id')
                ->limit($this->size($request))
                ->get()
                ->map(PhotoResource::facts(...))
                ->all(),
        ]);
    }

    #[
        OA\Post(
            path: '/api/v1/vehicles/{vehicle}/photos',
            operationId: 'keepPhoto',
            summary: 'A photo (multipart: file, id, zone, stage, taken_at, sheet_id, note); drawn anew, so that where it was taken stays behind',
            tags: ['Photos'],
        ),
    ]
    #[Returns('Photo', 201)]
    public function store(Request $request, Vehicle $vehicle, KeepPhoto $keepPhoto): JsonResponse
    {
        Gate::authorize('update', $vehicle);
        $given = $request->validate([
            'file' => ['required', 'file', 'max:' . self::MOST_KB],
            'id' => ['required', 'uuid'],
            'zone' => ['required', Rule::enum(Zone::class)],
            'stage' => ['required', 'in:before,during,after'],
            'taken_at' => ['required', 'date', 'before:+1 day'],
            'sheet_id' => ['sometimes', 'nullable', 'uuid'],
            'note' => ['sometimes', 'nullable', 'string', 'max:240'],
        ]);
        $sheet = isset($given['sheet_id'])
            ? Sheet::query()->where('vehicle_id', $vehicle->id)->whereKey($given['sheet_id'])->first() ??
                throw Problem::field('sheet_id', Said::of('photo.sheet'))
            : null;
        $file = $request->file('file');
        /** @var User $writer */
        $writer = $request->user();
        $photo = $keepPhoto(
            $vehicle,
            $sheet,
            $writer,
            $given,
            $file instanceof UploadedFile ? (string) $file->get() : '',
        );

        return new JsonResponse(PhotoResource::facts($photo), 201);
    }

    #[OA\Get(path: '/api/v1/photos/{photo}', operationId: 'showPhoto', summary: 'The picture itself', tags: ['Photos'])]
    #[Returns(null, says: 'JPEG')]
    public function show(Photo $photo): StreamedResponse
    {
        Gate::authorize('view', $photo);

        return Storage::disk('photos')->response($photo->path(), "{$photo->id}.jpg", [
            'Content-Type' => 'image/jpeg',
        ]);
    }

    #[
        OA\Delete(
            path: '/api/v1/photos/{photo}',
            operationId: 'removePhoto',
            summary: 'Remove a photo that has not become part of a turn; the owner may remove any',
            tags: ['Photos'],
        ),
    ]
    #[Returns(null, 204)]
    public function destroy(Photo $photo): Response
    {
        Gate::authorize($photo->turn_id === null ? 'update' : 'archive', $photo);
        $photo->delete();
        Storage::disk('photos')->delete($photo->path());

        return response()->noContent();
    }
}
