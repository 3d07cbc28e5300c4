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

/** Keeps a photo as a fresh picture (DrawAnew). */
final readonly class KeepPhoto
{
    /**
     * @param array{id: string, zone: string, stage: string, taken_at: string, note?: string|null} $facts
     * @param string $file  the bytes as they came
     *
     * @throws InvalidInput when it is no picture
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
     * @throws InvalidInput when it is no picture
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
            return $known;
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
