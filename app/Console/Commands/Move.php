<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Archive\ReadArchive;
use App\Archive\WriteArchive;
use App\Door\FoundWorkspace;
use App\Door\IssueResetLink;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use App\Tenancy\Workspace;
use Illuminate\Auth\Passwords\PasswordBroker;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Password;
use Illuminate\Support\Str;
use LogicException;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Says\Refusal;

/**
 * One workspace from this installation to another, by its archive; nobody else notices.
 *
 *     php artisan vicissa:move out WORKSPACE FILE     here: writes it, and lets it end here in a month
 *     php artisan vicissa:move in FILE EMAIL          there: a business of the same name with one owner, who sets a password
 */
final class Move extends Command
{
    protected $signature = 'vicissa:move {way : out or in} {what : the workspace’s id, or the file} {to : the file, or the owner’s address} {--stays : it goes on here as well}';

    protected $description = 'Move one workspace to another installation';

    public function handle(
        Tenancy $tenancy,
        WriteArchive $writeArchive,
        ReadArchive $readArchive,
        FoundWorkspace $foundWorkspace,
        ClockInterface $clock,
    ): int {
        [$what, $to] = [(string) $this->argument('what'), (string) $this->argument('to')];

        switch ($this->argument('way')) {
            case 'out':
                $tenancy->within($what, fn() => $this->out($what, $to, $writeArchive, $clock), transaction: false);

                return self::SUCCESS;
            case 'in':
                try {
                    return $this->in($what, $to, $foundWorkspace, $readArchive);
                } finally {
                    $tenancy->leave();
                }
            default:
                return self::INVALID;
        }
    }

    private function out(string $id, string $file, WriteArchive $writeArchive, ClockInterface $clock): void
    {
        $written = $writeArchive->into($file);
        $days = config()->integer('vicissa.grace.workspace');
        if ($this->option('stays') !== true) {
            // Whoever goes on working here by mistake sees that it ends; an owner can keep it.
            Workspace::query()
                ->whereKey($id)
                ->update(['ends_at' => $clock->now()->modify("+{$days} days")]);
        }
        $this->line(json_encode(['file' => $file, ...$written], JSON_THROW_ON_ERROR));
    }

    private function in(string $file, string $email, FoundWorkspace $foundWorkspace, ReadArchive $readArchive): int
    {
        try {
            // All of it, or not even the business.
            [$owner, $workspace, $taken] = DB::transaction(static function () use (
                $file,
                $email,
                $foundWorkspace,
                $readArchive,
            ): array {
                [$owner, $workspace] = $foundWorkspace(
                    ['name' => Str::before($email, '@'), 'email' => $email, 'password' => Str::random(60)],
                    ['name' => Str::before($email, '@')],
                    starterShelf: false,
                );

                return [$owner, $workspace, $readArchive->fromFile($file, $owner)];
            });
        } catch (Refusal $refused) {
            $this->error($refused->says->code);

            return self::FAILURE;
        }
        $this->line(
            json_encode(
                ['workspace' => $workspace->id, ...$taken, 'password' => $this->link($owner)],
                JSON_THROW_ON_ERROR,
            ),
        );

        return self::SUCCESS;
    }

    private function link(User $owner): string
    {
        $broker = Password::broker();
        if (!($broker instanceof PasswordBroker)) {
            throw new LogicException('Passwords are kept by another broker.');
        }

        return IssueResetLink::link($owner, $broker->createToken($owner));
    }
}
