<?php

declare(strict_types=1);

namespace App\Turns;

use App\Book\Vehicle;
use App\Record\Photo;
use App\Record\Sheet;
use App\Tenancy\User;
use Carbon\CarbonImmutable;
use GdImage;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;

/**
 * Keeps a photo as a fresh picture: it is decoded and drawn anew, so that nothing of the file comes along but what one
 * sees; where it was taken, and with what, stays behind.
 */
final readonly class KeepPhoto
{
    /** Longer edges are scaled down to this. */
    private const EDGE = 1600;

    private const QUALITY = 82;

    /** More pixels than this are no photo, but a way to fill the memory. */
    private const MOST_PIXELS = 16_000_000;

    /**
     * @param array{id: string, zone: string, stage: string, taken_at: string, note?: string|null} $facts
     * @param string $file  the bytes as they came
     *
     * @throws InvalidInput when it is no picture
     */
    public function __invoke(Vehicle $vehicle, ?Sheet $sheet, User $writer, array $facts, string $file): Photo
    {
        $known = Photo::query()->find($facts['id']);
        if ($known instanceof Photo) {
            return $known;
        }
        $jpeg = $this->drawnAnew($file);
        [$width, $height] = getimagesizefromstring($jpeg) ?: [1, 1];

        return DB::transaction(function () use ($vehicle, $sheet, $writer, $facts, $jpeg, $width, $height): Photo {
            $photo = Photo::query()->create([
                'id' => $facts['id'],
                'vehicle_id' => $vehicle->id,
                'sheet_id' => $sheet?->id,
                'turn_id' => $sheet?->turn_id,
                'zone' => $facts['zone'],
                'stage' => $facts['stage'],
                'note' => $facts['note'] ?? null,
                'width' => $width,
                'height' => $height,
                'bytes' => strlen($jpeg),
                'taken_at' => CarbonImmutable::parse($facts['taken_at']),
                'written_by' => $writer->id,
            ]);
            Storage::disk('photos')->put($photo->path(), $jpeg);

            return $photo;
        });
    }

    private function drawnAnew(string $file): string
    {
        $size = @getimagesizefromstring($file);
        if ($size === false || !in_array($size[2], [IMAGETYPE_JPEG, IMAGETYPE_PNG, IMAGETYPE_WEBP], true)) {
            throw InvalidInput::at('file', Said::of('photo.kind'));
        }
        if ($size[0] * $size[1] > self::MOST_PIXELS) {
            throw InvalidInput::at('file', Said::of('photo.large'));
        }
        $picture = @imagecreatefromstring($file);
        if ($picture === false) {
            throw InvalidInput::at('file', Said::of('photo.damaged'));
        }
        $edge = max(imagesx($picture), imagesy($picture));
        $scaled =
            $edge > self::EDGE
                ? imagescale(
                    $picture,
                    max(1, (int) round((imagesx($picture) * self::EDGE) / $edge)),
                    max(1, (int) round((imagesy($picture) * self::EDGE) / $edge)),
                    IMG_BICUBIC,
                )
                : $picture;
        $scaled = $scaled === false ? $picture : $scaled;

        return $this->jpeg($scaled);
    }

    private function jpeg(GdImage $picture): string
    {
        ob_start();
        imagejpeg($picture, null, self::QUALITY);

        return (string) ob_get_clean();
    }
}
