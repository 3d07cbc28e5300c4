<?php

declare(strict_types=1);

namespace App\Proof;

use App\Print\Paper;
use App\Record\Photo;
use App\Says\Teller;
use Illuminate\Contracts\View\Factory;
use Illuminate\Support\Facades\Storage;

/**
 * The record on paper, in somebody's language: what was done with what, how the water stood as drops, the ribbon, what
 * is due next, cautions, who.
 */
final readonly class RecordSheet
{
    /** More pictures than these make a document nobody can send. */
    private const MOST_PHOTOS = 12;

    public function __construct(private Paper $paper, private Factory $views) {}

    /** @param Told<'Record'> $record  as DrawRecord gives it */
    public function pdf(array $record, Teller $teller): string
    {
        /** @var Told<'Record'> $record */
        $record = $teller->everywhere($record);
        $ribbon = $record['film']['ribbon'];

        return $this->paper->pdf(
            $record['vehicle']['name'],
            $this->views
                ->make('print.record', [
                    'record' => $record,
                    'say' => $teller->say(...),
                    'day' => $teller->day(...),
                    'ribbon' => is_array($ribbon)
                        ? Paper::svg(
                            Drawings::ribbon(
                                $ribbon,
                                $record['film']['from'],
                                $record['film']['to'],
                                $record['film']['today'],
                            ),
                            172,
                            22.6,
                        )
                        : null,
                    'drop' => static fn(array $reading): string => Paper::svg(
                        Drawings::drop($reading['behaviour'], $reading['angle_deg']),
                        20,
                        13,
                    ),
                    'pictures' => $this->pictures($record['turns']),
                ])
                ->render(),
            $teller->say('record.foot', business: $record['business'], on: $teller->day($record['written_on'])),
            $teller->say('record.page-of'),
            $teller->language->value,
        );
    }

    /**
     * @param list<Told<'RecordTurn'>> $turns
     * @return array<string, string> as data, by photo
     */
    private function pictures(array $turns): array
    {
        $pictures = [];
        foreach (array_merge([], ...array_column($turns, 'photos')) as $one) {
            if (count($pictures) >= self::MOST_PHOTOS) {
                break;
            }
            $photo = Photo::query()->whereKey($one['id'])->first();
            $file = $photo === null ? null : Storage::disk('photos')->get($photo->path());
            if ($file !== null) {
                $pictures[$one['id']] = 'data:image/jpeg;base64,' . base64_encode($file);
            }
        }

        return $pictures;
    }
}
