<?php

declare(strict_types=1);

use App\Archive\BookFile;
use App\Archive\Http\ArchiveController;
use App\Archive\Http\BookFileController;
use App\Bench\Http\BenchController;
use App\Bench\Http\DrillController;
use App\Bench\Http\WaterController;
use App\Book\Http\ClientController;
use App\Book\Http\CrewController;
use App\Book\Http\FindController;
use App\Book\Http\ProgrammeController;
use App\Book\Http\RemovedController;
use App\Book\Http\SiteController;
use App\Book\Http\VehicleController;
use App\Door\Http\AccountController;
use App\Door\Http\AuthController;
use App\Door\Http\FromThePage;
use App\Door\Http\MeController;
use App\Door\Http\NumbersController;
use App\Door\Http\PeopleController;
use App\Door\Http\TrailController;
use App\Door\Http\WorkspaceController;
use App\Film\Http\FilmController;
use App\Film\Http\LayerController;
use App\Film\Http\ListController;
use App\Film\Http\StartController;
use App\Money\Http\ClosedController;
use App\Money\Http\MoneyController;
use App\Money\Http\YearController;
use App\Proof\Http\LastVisitController;
use App\Proof\Http\ProofController;
use App\Proof\Http\RecordController;
use App\Reckon\Http\ReckonController;
use App\Sheets\Http\LoadController;
use App\Sheets\Http\PulseController;
use App\Sheets\Http\RoundController;
use App\Sheets\Http\SheetController;
use App\Shelf\Http\GearController;
use App\Shelf\Http\LabelController;
use App\Shelf\Http\ProductController;
use App\Shelf\Http\ShelfController;
use App\Shelf\Http\StockController;
use App\Turns\Http\PhotoController;
use App\Turns\Http\TurnController;
use App\Watch\Http\KnowsToken;
use App\Watch\Http\OperatorController;
use App\Weeks\Http\DaysController;
use App\Weeks\Http\FeedController;
use App\Weeks\Http\ProposalController;
use App\Weeks\Http\WeeksController;
use Illuminate\Support\Facades\Route;

Route::prefix('auth')
    ->middleware(['throttle:sign-in', 'spends'])
    ->group(function (): void {
        Route::get('door', [AuthController::class, 'door']);
        Route::post('register', [AuthController::class, 'register'])->middleware([
            FromThePage::class,
            'throttle:register',
        ]);
        Route::post('confirm-email', [AccountController::class, 'confirmEmail']);
        Route::post('sign-in', [AuthController::class, 'signIn'])->middleware(FromThePage::class);
        Route::post('forgot', [AuthController::class, 'forgot']);
        Route::post('reset', [AuthController::class, 'reset']);
        Route::get('invitation', [AuthController::class, 'invitation']);
        Route::post('join', [AuthController::class, 'join'])->middleware(FromThePage::class);
    });

// Whoever runs this shows the token of its settings. Not held back by anything that needs the database.
Route::middleware(KnowsToken::class)
    ->controller(OperatorController::class)
    ->prefix('operator')
    ->group(function (): void {
        Route::get('', 'show');
        Route::post('failed/{id}/again', 'again')->whereUuid('id');
        Route::delete('failed/{id}', 'drop')->whereUuid('id');
    });

// Whoever knows a feed's address may read it: calendars don't sign in.
Route::get('feeds/{secret}.ics', [FeedController::class, 'read'])
    ->where('secret', '[A-Za-z0-9]{40}')
    ->middleware(['throttle:api', 'spends']);

// Whoever has a record's address may read it, and nothing else.
Route::middleware(['throttle:api', 'spends'])
    ->where(['secret' => '[A-Za-z0-9]{40}'])
    ->group(function (): void {
        Route::get('records/{secret}', [RecordController::class, 'read']);
        Route::get('records/{secret}/pdf', [RecordController::class, 'readPdf']);
        Route::get('records/{secret}/photos/{photo}', [RecordController::class, 'readPhoto'])->whereUuid('photo');
    });

// And whoever has a letter may answer it.
Route::get('answers/{proposal}/{signature}', [ProposalController::class, 'show'])->middleware([
    'throttle:api',
    'spends',
]);
Route::get('answers/{proposal}/{signature}/last', [LastVisitController::class, 'show'])->middleware([
    'throttle:api',
    'spends',
]);
Route::get('answers/{proposal}/{signature}/photos/{photo}', [LastVisitController::class, 'photo'])
    ->whereUuid('photo')
    ->middleware(['throttle:api', 'spends']);
Route::post('answers/{proposal}/{signature}', [ProposalController::class, 'answer'])->middleware([
    'throttle:api',
    'spends',
    'again',
]);

Route::middleware(['auth:sanctum', 'throttle:api', 'spends', 'again', 'workspace', 'kept', 'costs'])->group(
    function (): void {
        // Whether the session still stands, and nothing else: the yardstick of bin/bench.
        Route::get('ping', static fn() => response()->noContent())->withoutMiddleware(['workspace', 'kept']);
        Route::post('auth/sign-out', [AuthController::class, 'signOut'])->middleware(FromThePage::class);

        // What opens doors is for people on the page: a token, whatever it may do, could else give itself more.
        Route::middleware(FromThePage::class)->group(function (): void {
            Route::get('members', [PeopleController::class, 'members']);
            Route::get('invitations', [PeopleController::class, 'invitations']);
            Route::get('messages', [PeopleController::class, 'messages']);
            Route::get('tokens', [PeopleController::class, 'tokens']);
            Route::get('trail', TrailController::class);
            Route::get('record-links', [RecordController::class, 'all']);
            Route::prefix('me')
                ->controller(AccountController::class)
                ->group(function (): void {
                    Route::get('account', 'show');
                    Route::get('sessions', 'sessions');
                    Route::get('seal', 'seal');
                });
            Route::middleware('once')->group(function (): void {
                Route::delete('members/{member}', [PeopleController::class, 'remove']);
                Route::post('members/{member}/reset-link', [PeopleController::class, 'resetLink'])->middleware(
                    'throttle:sure',
                );
                Route::post('invitations', [PeopleController::class, 'invite']);
                Route::delete('invitations/{invitation}', [PeopleController::class, 'withdraw']);
                Route::post('messages/{message}/again', [PeopleController::class, 'sendAgain']);
                Route::post('tokens', [PeopleController::class, 'issue']);
                Route::delete('tokens/{id}', [PeopleController::class, 'revoke'])->whereNumber('id');
                Route::post('workspaces/{id}/enter', [WorkspaceController::class, 'enter'])->whereUuid('id');
                Route::post('workspace/leave', [WorkspaceController::class, 'leave']);
                Route::post('workspace/end', [WorkspaceController::class, 'end'])->middleware('throttle:sure');
                Route::post('workspace/keep', [WorkspaceController::class, 'keep']);
                Route::prefix('me')
                    ->controller(AccountController::class)
                    ->group(function (): void {
                        Route::middleware('throttle:sure')->group(function (): void {
                            Route::post('password', 'password');
                            Route::post('email', 'email');
                            Route::post('second', 'second');
                            Route::post('second/confirm', 'confirmSecond');
                            Route::post('second/end', 'endSecond');
                            Route::post('leave', 'leave');
                        });
                        Route::post('stay', 'stay');
                        Route::delete('sessions', 'endSessions');
                        Route::delete('sessions/{session}', 'endSession')->where('session', '[0-9a-f]{24}');
                    });
            });
        });

        Route::middleware('abilities:read')->group(function (): void {
            Route::get('me', [MeController::class, 'show']);
            Route::get('workspace', [WorkspaceController::class, 'show']);
            Route::get('bench/expected', [BenchController::class, 'expected']);
            Route::post('bench/match', [BenchController::class, 'match']);
            Route::post('bench/doses', [BenchController::class, 'doses']);
            Route::get('gear', [GearController::class, 'index']);
            Route::get('water', [WaterController::class, 'show']);
            Route::get('water/readings', [WaterController::class, 'readings']);
            Route::post('devices/pen', [WaterController::class, 'pen']);
            Route::post('devices/thermometer', [WaterController::class, 'thermometer']);
            Route::get('round', [RoundController::class, 'show']);
            Route::get('load', [LoadController::class, 'show']);
            Route::get('load/shopping', [LoadController::class, 'shopping']);
            Route::post('year', YearController::class);
            Route::get('book/{kind}', [BookFileController::class, 'out'])->whereIn(
                'kind',
                array_keys(BookFile::COLUMNS),
            );
            Route::get('drill', [DrillController::class, 'next']);
            Route::get('drill/people', [DrillController::class, 'people']);
            Route::get('archive', [ArchiveController::class, 'out']);
            Route::get('archive/runs/{run}', [ArchiveController::class, 'run'])->whereUuid('run');
            Route::get('archive/runs/{run}/file', [ArchiveController::class, 'file'])->whereUuid('run');
            Route::get('changes', [ArchiveController::class, 'changes']);
            Route::get('numbers', [NumbersController::class, 'show']);
            Route::get('rates', [MoneyController::class, 'rates']);
            Route::get('money', [MoneyController::class, 'show']);
            Route::get('money/closed', ClosedController::class);
            Route::get('prices', [MoneyController::class, 'prices']);
            Route::get('quotes', [MoneyController::class, 'quotes']);
            Route::get('quotes/{quote}', [MoneyController::class, 'showQuote']);
            Route::get('quotes/{quote}/pdf', [MoneyController::class, 'printQuote']);
            Route::get('turns/{turn}/cost', [MoneyController::class, 'turn']);
            Route::get('vehicles/{vehicle}/money', [MoneyController::class, 'vehicle']);
            Route::get('vehicles/{vehicle}/record', [RecordController::class, 'pdf']);
            Route::get('vehicles/{vehicle}/record-links', [RecordController::class, 'links']);
            Route::get('products/{product}/stock', [StockController::class, 'show']);
            Route::get('weeks', [WeeksController::class, 'show']);
            Route::get('weeks/runs/{run}', [WeeksController::class, 'run']);
            Route::get('weeks/visits/{visit}/else', [WeeksController::class, 'elsewhere']);
            Route::get('weeks/instance', [WeeksController::class, 'instance']);
            Route::get('weeks/file', [WeeksController::class, 'file']);
            Route::get('crews', [CrewController::class, 'index']);
            Route::get('programmes', [ProgrammeController::class, 'index']);
            Route::get('days', [DaysController::class, 'index']);
            Route::get('feeds', [FeedController::class, 'index']);
            Route::get('find', FindController::class);
            Route::get('pulse', PulseController::class);
            Route::get('proof', ProofController::class);
            Route::get('sheets', [SheetController::class, 'index']);
            Route::get('sheets/{sheet}', [SheetController::class, 'show']);
            Route::get('sheets/{sheet}/pack', [SheetController::class, 'pack']);
            Route::get('vehicles/{vehicle}/photos', [PhotoController::class, 'index']);
            Route::get('products/{product}/photos', [PhotoController::class, 'labels']);
            Route::get('photos/{photo}', [PhotoController::class, 'show']);
            Route::post('labels', [LabelController::class, 'print']);
            Route::get('schools', [BenchController::class, 'schools']);
            Route::get('weather', [BenchController::class, 'weather']);
            Route::get('vehicle-list', ListController::class);
            Route::get('film', [FilmController::class, 'index']);
            Route::get('vehicles/{vehicle}/film/point', [FilmController::class, 'point']);
            Route::post('vehicles/{vehicle}/film/try', [FilmController::class, 'tryAhead']);
            Route::get('vehicles/{vehicle}/film', [FilmController::class, 'show']);
            Route::get('vehicles/{vehicle}/shelf', [FilmController::class, 'shelf']);
            Route::get('vehicles/{vehicle}/turns', [TurnController::class, 'index']);
            Route::get('turns/{turn}', [TurnController::class, 'show']);
            Route::apiResource('clients', ClientController::class)->only(['index', 'show']);
            Route::apiResource('sites', SiteController::class)->only(['index', 'show']);
            Route::apiResource('vehicles', VehicleController::class)->only(['index', 'show']);
            Route::get('products/fit', [ShelfController::class, 'fit']);
            Route::post('products/preview', [ShelfController::class, 'preview']);
            Route::get('products/export', [ShelfController::class, 'export']);
            Route::apiResource('products', ProductController::class)->only(['index', 'show']);
        });

        Route::middleware(['abilities:write', 'once'])->group(function (): void {
            Route::patch('me', [MeController::class, 'update']);
            Route::patch('workspace', [WorkspaceController::class, 'update']);
            Route::post('start', StartController::class);
            Route::apiResource('clients', ClientController::class)->only(['store', 'update', 'destroy']);
            Route::apiResource('sites', SiteController::class)->only(['store', 'update', 'destroy']);
            Route::apiResource('vehicles', VehicleController::class)->only(['store', 'update', 'destroy']);
            Route::apiResource('products', ProductController::class)->only(['store', 'update', 'destroy']);
            Route::post('vehicles/{vehicle}/restore', [VehicleController::class, 'restore']);
            Route::post('gear', [GearController::class, 'store']);
            Route::patch('gear/{gear}', [GearController::class, 'update']);
            Route::delete('gear/{gear}', [GearController::class, 'destroy']);
            Route::post('gear/{gear}/restore', [GearController::class, 'restore']);
            Route::post('removed/{removed}/restore', [RemovedController::class, 'restore'])->whereUuid('removed');
            Route::post('gear/{gear}/events', [GearController::class, 'note']);
            Route::post('water/readings', [WaterController::class, 'note']);
            Route::put('round', [RoundController::class, 'lay']);
            Route::put('round/weather', [RoundController::class, 'note']);
            Route::put('load/ticks', [LoadController::class, 'tick']);
            Route::post('book/{kind}', [BookFileController::class, 'in'])->whereIn(
                'kind',
                array_keys(BookFile::COLUMNS),
            );
            Route::post('drill', [DrillController::class, 'answer']);
            Route::post('archive', [ArchiveController::class, 'in']);
            Route::post('archive/runs', [ArchiveController::class, 'make']);
            Route::post('clients/{client}/forget', [ArchiveController::class, 'forget']);
            Route::put('numbers', [NumbersController::class, 'update']);
            Route::put('rates', [MoneyController::class, 'setRates']);
            Route::put('prices', [MoneyController::class, 'setPrices']);
            Route::post('quotes', [MoneyController::class, 'quote']);
            Route::post('vehicles/{vehicle}/record-links', [RecordController::class, 'make']);
            Route::delete('record-links/{link}', [RecordController::class, 'revoke']);
            Route::post('products/{product}/stock', [StockController::class, 'store']);
            Route::post('round/order', [RoundController::class, 'order']);
            Route::post('weeks/plan', [WeeksController::class, 'plan']);
            Route::delete('weeks/runs/{run}', [WeeksController::class, 'stop']);
            Route::post('weeks/visits/{visit}/move', [WeeksController::class, 'move']);
            Route::post('weeks/visits/{visit}/cancel', [WeeksController::class, 'cancel']);
            Route::patch('weeks/visits/{visit}', [WeeksController::class, 'lock']);
            Route::post('weeks/proposals', [ProposalController::class, 'propose']);
            Route::post('weeks/undo', [WeeksController::class, 'undo']);
            Route::post('crews', [CrewController::class, 'store']);
            Route::patch('crews/{crew}', [CrewController::class, 'update']);
            Route::delete('crews/{crew}', [CrewController::class, 'destroy']);
            Route::post('crews/{crew}/restore', [CrewController::class, 'restore']);
            Route::post('programmes', [ProgrammeController::class, 'store']);
            Route::patch('programmes/{programme}', [ProgrammeController::class, 'update']);
            Route::delete('programmes/{programme}', [ProgrammeController::class, 'destroy']);
            Route::post('feeds', [FeedController::class, 'store']);
            Route::delete('feeds/{feed}', [FeedController::class, 'destroy']);
            Route::post('days/import', [DaysController::class, 'import']);
            Route::post('deadlines', [DaysController::class, 'deadline']);
            Route::delete('deadlines/{deadline}', [DaysController::class, 'dropDeadline']);
            Route::post('closures', [DaysController::class, 'closure']);
            Route::delete('closures/{closure}', [DaysController::class, 'dropClosure']);
            Route::post('sheets', [SheetController::class, 'store']);
            Route::post('sheets/{sheet}/events', [SheetController::class, 'note']);
            Route::post('sheets/{sheet}/rematch', [SheetController::class, 'rematch']);
            Route::post('sheets/{sheet}/finish', [SheetController::class, 'finish']);
            Route::delete('sheets/{sheet}', [SheetController::class, 'destroy']);
            Route::post('vehicles/{vehicle}/photos', [PhotoController::class, 'store']);
            Route::post('products/{product}/photos', [PhotoController::class, 'storeLabel']);
            Route::delete('photos/{photo}', [PhotoController::class, 'destroy']);
            Route::post('products/import', [ShelfController::class, 'import']);
            Route::post('products/rename', [ShelfController::class, 'rename']);
            Route::post('products/{product}/restore', [ProductController::class, 'restore']);
            Route::post('products/{product}/restock', [ProductController::class, 'restock']);
            Route::post('vehicles/{vehicle}/layers', [LayerController::class, 'store']);
            Route::patch('layers/{layer}', [LayerController::class, 'update']);
            Route::delete('layers/{layer}', [LayerController::class, 'destroy']);
            Route::post('vehicles/{vehicle}/turns', [TurnController::class, 'store']);
            Route::post('turns/{turn}/corrections', [TurnController::class, 'correct']);
        });

        Route::post('reckon/{model}', ReckonController::class)->middleware('abilities:reckon');
    },
);
