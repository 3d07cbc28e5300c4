<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Tenancy\StateMark;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

/** What was told once is told again as long as nothing has changed, and never longer. */
final class KeptTest extends TestCase
{
    private const PLACES = ['film', 'weeks', 'round', 'load', 'money', 'proof', 'gear', 'products'];

    public function testEveryTableOfAWorkspaceIsWatchedOrNamedWithAReason(): void
    {
        $all = array_column(
            DB::select(
                "select distinct table_name from information_schema.columns where table_schema = 'public' and column_name = 'workspace_id'",
            ),
            'table_name',
        );
        self::assertEqualsCanonicalizing($all, [...StateMark::TABLES, ...array_keys(StateMark::BESIDE)]);
        $watched = array_column(
            DB::select(
                "select distinct event_object_table as name from information_schema.triggers where trigger_name = 'state_changed'",
            ),
            'name',
        );
        self::assertEqualsCanonicalizing([...StateMark::TABLES, 'workspaces', 'users'], $watched);
    }

    public function testNothingIsComputedTwiceUntilSomethingChanges(): void
    {
        [$owner, $workspace] = $this->business();
        $vehicle = $this->vehicle($workspace);
        $this->actingAs($owner);
        foreach (self::PLACES as $place) {
            $first = $this->getJson("/api/v1/{$place}")->assertOk();
            $asked = 0;
            DB::listen(static function (QueryExecuted $query) use (&$asked): void {
                $asked += (int) (preg_match('/from "(vehicles|turns|gear|crews|products|layers)"/', $query->sql) === 1);
            });
            $second = $this->getJson("/api/v1/{$place}")->assertOk();
            self::assertSame(0, $asked, $place);
            self::assertSame($first->json(), $second->json(), $place);
            $tag = (string) $second->headers->get('ETag');
            self::assertSame($first->headers->get('ETag'), $tag);
            $this->getJson("/api/v1/{$place}", ['If-None-Match' => $tag])
                ->assertStatus(304)
                ->assertNoContent(304)
                ->assertHeader('ETag', $tag);
            $this->getJson("/api/v1/{$place}", ['If-None-Match' => '"else"'])->assertOk();
        }
        $tag = (string) $this->getJson('/api/v1/film')->headers->get('ETag');
        // By whatever way: also by none of ours.
        $this->inside(
            $workspace,
            static fn() => DB::update('update vehicles set name = ? where id = ?', ['Otherwise', $vehicle->id]),
        );
        $this->getJson('/api/v1/film', ['If-None-Match' => $tag])
            ->assertOk()
            ->assertJsonPath('ribbons.0.name', 'Otherwise');
        $this->inside($workspace, static fn() => DB::delete('delete from layers where vehicle_id = ?', [$vehicle->id]));
        self::assertNull($this->getJson('/api/v1/film')->json('ribbons.0.outermost'));
    }

    public function testWhatOneHasBeenToldNobodyElseIs(): void
    {
        [$owner, $workspace] = $this->business();
        $this->vehicle($workspace);
        $topper = $this->product($workspace, 'topper', 'silica');
        $this->inside(
            $workspace,
            static fn() => DB::table('products')
                ->where('id', $topper->id)
                ->update(['price_minor' => 1900]),
        );
        $technician = $this->technician($workspace);
        $products = fn($who) => $this->actingAs($who, 'web')->getJson('/api/v1/products')->json('data');
        $price = static fn(array $of): array => array_values(array_filter(array_column($of, 'price_minor')));
        self::assertSame([1900], $price($products($owner)));
        Auth::forgetGuards();
        self::assertSame([], $price($products($technician)));
        Auth::forgetGuards();
        [$stranger] = $this->business('Elsewhere');
        self::assertSame([], $price($products($stranger)));
        Auth::forgetGuards();
        // In another language it is another answer at once.
        $says = fn() => $this->actingAs($owner->refresh(), 'web')->getJson('/api/v1/proof')->json('calibration.says');
        $english = $says();
        DB::table('users')
            ->where('id', $owner->id)
            ->update(['language' => 'de']);
        self::assertNotSame($english, $says());
    }
}
