<?php

declare(strict_types=1);

namespace App\Letters;

use Illuminate\Bus\Queueable;
use Illuminate\Mail\Mailable;
use Illuminate\Support\HtmlString;

/** A letter as it goes out: the text, the same set in HTML, and the days it speaks of for a calendar. */
final class Letter extends Mailable
{
    use Queueable;

    public function __construct(
        private readonly string $about,
        private readonly string $body,
        private readonly ?string $sender,
        private readonly ?string $calendar,
    ) {}

    public function build(): self
    {
        $this->subject($this->about)
            ->from(config()->string('mail.from.address'), $this->sender ?? config()->string('mail.from.name'))
            ->text('letters.text', ['body' => new HtmlString($this->body)])
            ->view('letters.html', ['about' => $this->about, 'paragraphs' => self::set($this->body)]);
        if ($this->calendar !== null) {
            $this->attachData($this->calendar, 'visits.ics', [
                'mime' => 'text/calendar; charset=utf-8; method=PUBLISH',
            ]);
        }

        return $this;
    }

    /** @return list<HtmlString> paragraphs, their addresses to be followed */
    private static function set(string $body): array
    {
        return array_map(
            static fn(string $paragraph): HtmlString => new HtmlString(
                nl2br((string) preg_replace('~https?://[^\s<]+[^\s<.,;:!?)]~u', '<a href="$0">$0</a>', e($paragraph))),
            ),
            preg_split('/\n{2,}/', trim($body)) ?: [],
        );
    }
}
