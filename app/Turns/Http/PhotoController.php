<?php

declare(strict_types=1);

namespace App\Turns\Http;

use App\Book\Vehicle;
use App\Http\OpenApi\Returns;
use App\Http\Paged;
use App\Problems\Problem;
use App\Record\Photo;
use App\Record\Sheet;
use App\Shelf\Product;
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

/** Photos of a vehicle, before, during and after, and of what stands on a product's label. */
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
            ...self::ofAny(),
            'zone' => ['required', Rule::enum(Zone::class)],
            'stage' => ['required', 'in:before,during,after'],
            'sheet_id' => ['sometimes', 'nullable', 'uuid'],
            'note' => ['sometimes', 'nullable', 'string', 'max:240'],
        ]);
        $sheet = isset($given['sheet_id'])
            ? Sheet::query()->where('vehicle_id', $vehicle->id)->whereKey($given['sheet_id'])->first() ??
                throw Problem::field('sheet_id', Said::of('photo.sheet'))
            : null;
        $photo = $keepPhoto->ofVehicle($vehicle, $sheet, self::writer($request), $given, self::bytes($request));

        return new JsonResponse(PhotoResource::facts($photo), 201);
    }

    #[
        OA\Get(
            path: '/api/v1/products/{product}/photos',
            operationId: 'listLabelPhotos',
            summary: 'Of its label; newest first',
            tags: ['Photos'],
            parameters: [new OA\QueryParameter(name: 'limit', schema: new OA\Schema(type: 'integer', maximum: 200))],
        ),
    ]
    #[Returns('LabelPhoto', list: true)]
    public function labels(Request $request, Product $product): JsonResponse
    {
        Gate::authorize('view', $product);

        return new JsonResponse([
            'data' => Photo::query()
                ->where('product_id', $product->id)
                ->orderByDesc('taken_at')
                ->orderByDesc('id')
                ->limit($this->size($request))
                ->get()
                ->map(PhotoResource::label(...))
                ->all(),
        ]);
    }

    #[
        OA\Post(
            path: '/api/v1/products/{product}/photos',
            operationId: 'keepLabelPhoto',
            summary: 'A photo of the label (multipart: file, id, taken_at); drawn anew, so that where it was taken stays behind',
            tags: ['Photos'],
        ),
    ]
    #[Returns('LabelPhoto', 201)]
    public function storeLabel(Request $request, Product $product, KeepPhoto $keepPhoto): JsonResponse
    {
        Gate::authorize('update', $product);
        $given = $request->validate(self::ofAny());

        return new JsonResponse(
            PhotoResource::label($keepPhoto->ofLabel($product, self::writer($request), $given, self::bytes($request))),
            201,
        );
    }

    /** @return array<string, list<string>> */
    private static function ofAny(): array
    {
        return [
            'file' => ['required', 'file', 'max:' . self::MOST_KB],
            'id' => ['required', 'uuid'],
            'taken_at' => ['required', 'date', 'before:+1 day'],
        ];
    }

    private static function writer(Request $request): User
    {
        /** @var User */
        return $request->user();
    }

    private static function bytes(Request $request): string
    {
        $file = $request->file('file');

        return $file instanceof UploadedFile ? (string) $file->get() : '';
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
