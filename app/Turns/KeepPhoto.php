<?php

declare(strict_types=1);

namespace App\Turns;

use App\Book\Vehicle;
use App\Record\Photo;
use App\Record\Sheet;
use App\Shelf\Product;
use App\Tenancy\Instant;
use App\Tenancy\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/** Keeps a photo as a fresh picture (DrawAnew). */
final readonly class KeepPhoto
{
    /**
     * @param array{id: string, zone: string, stage: string, taken_at: string, note?: string|null} $facts
     * @param string $file  the bytes as they came
     *
     * @throws InvalidInput when it is no picture, or another has its id
     */
    public function ofVehicle(Vehicle $vehicle, ?Sheet $sheet, User $writer, array $facts, string $file): Photo
    {
        return $this->keep(
            [
                'id' => $facts['id'],
                'vehicle_id' => $vehicle->id,
                'sheet_id' => $sheet?->id,
                'turn_id' => $sheet?->turn_id,
                'zone' => $facts['zone'],
                'stage' => $facts['stage'],
                'note' => $facts['note'] ?? null,
                'taken_at' => Instant::of($facts['taken_at']),
            ],
            $writer,
            $file,
        );
    }

    /**
     * @param array{id: string, taken_at: string} $facts
     * @param string $file  the bytes as they came
     *
     * @throws InvalidInput when it is no picture, or another has its id
     */
    public function ofLabel(Product $product, User $writer, array $facts, string $file): Photo
    {
        return $this->keep(
            [
                'id' => $facts['id'],
                'product_id' => $product->id,
                'stage' => Photo::LABEL,
                'taken_at' => Instant::of($facts['taken_at']),
            ],
            $writer,
            $file,
        );
    }

    /** @param array<string, mixed> $facts */
    private function keep(array $facts, User $writer, string $file): Photo
    {
        $known = Photo::query()->find($facts['id']);
        if ($known instanceof Photo) {
            // Sent again it is there; of something else it is another's.
            return $known->only(['vehicle_id', 'product_id']) === [
                'vehicle_id' => $facts['vehicle_id'] ?? null,
                'product_id' => $facts['product_id'] ?? null,
            ]
                ? $known
                : throw InvalidInput::at('id', Said::of('photo.another'));
        }
        $jpeg = DrawAnew::of($file);
        [$width, $height] = getimagesizefromstring($jpeg) ?: [1, 1];

        return DB::transaction(static function () use ($writer, $facts, $jpeg, $width, $height): Photo {
            $photo = Photo::query()->create([
                ...$facts,
                'width' => $width,
                'height' => $height,
                'bytes' => strlen($jpeg),
                'written_by' => $writer->id,
            ]);
            Storage::disk('photos')->put($photo->path(), $jpeg);

            return $photo;
        });
    }
}
