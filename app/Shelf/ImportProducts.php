<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Tables\Counted;
use App\Tables\UnreadableFile;
use Illuminate\Contracts\Validation\Factory;
use Illuminate\Support\Facades\DB;
use Vicissa\Core\Says\Said;

/**
 * Reads a file of products onto the shelf. Rows are matched by name: new ones are put there, known ones changed where
 * the file says so. With an error in any row nothing is done.
 */
final readonly class ImportProducts
{
    public const MOST = 2000;

    public function __construct(private Factory $validation) {}

    /**
     * @param bool $commit  false only looks
     * @return array{rows: list<array{row: int, name: string, does: string, changes: list<string>, errors: array<string,
     *     string|Said>, unknown: list<string>}>, done: bool, new: int, changed: int, same: int, wrong: int}
     *
     * @throws UnreadableFile
     */
    public function __invoke(string $text, bool $commit): array
    {
        $read = ProductFile::read($text, self::MOST);

        return DB::transaction(function () use ($read, $commit): array {
            $known = Product::query()
                ->lockForUpdate()
                ->orderBy('name')
                ->orderBy('id')
                ->get()
                ->keyBy(static fn(Product $product): string => mb_strtolower($product->name));
            $seen = $rows = $writes = [];
            foreach ($read as ['row' => $row, 'facts' => $facts, 'unknown' => $unknown]) {
                $name = is_string($facts['name'] ?? null) ? trim($facts['name']) : '';
                $product = $known[mb_strtolower($name)] ?? null;
                $errors = $this->errors($facts, $product);
                if ($name !== '' && isset($seen[mb_strtolower($name)])) {
                    $errors['name'] = Said::of('file.name-twice', row: $seen[mb_strtolower($name)]);
                }
                $seen[mb_strtolower($name)] ??= $row;
                $target = ($product ?? new Product())->fill($errors === [] ? $facts : []);
                $changes = $product === null ? [] : array_keys($target->getDirty());
                if ($errors === []) {
                    $writes[] = $target;
                }
                $rows[] = [
                    'row' => $row,
                    'name' => $name,
                    'does' =>
                        $errors !== [] ? 'wrong' : ($product === null ? 'new' : ($changes === [] ? 'same' : 'change')),
                    'changes' => $changes,
                    'errors' => $errors,
                    'unknown' => $unknown,
                ];
            }
            $done = Counted::mayBeDone($rows, $commit);
            if ($done) {
                foreach ($writes as $product) {
                    if ($product->exists && $product->isDirty()) {
                        $product->version++;
                    }
                    $product->save();
                    event(ProductChanged::of($product));
                }
            }

            return Counted::of($rows, $done);
        });
    }

    /**
     * @param array<string, mixed> $facts
     * @return array<string, string|Said> sentences by field
     */
    private function errors(array $facts, ?Product $product): array
    {
        $validator = $this->validation->make(
            $facts,
            ProductRules::fields($product === null),
            ProductRules::sentences(),
        );
        $errors = [];
        foreach ($validator->errors()->toArray() as $field => $sentences) {
            $errors[(string) $field] = (string) $sentences[0];
        }

        return $errors === [] ? ProductRules::against($facts, $product ?? new Product()) : $errors;
    }
}
