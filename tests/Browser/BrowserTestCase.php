<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDriverService;
use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Exception\ElementClickInterceptedException;
use Facebook\WebDriver\Exception\JavascriptErrorException;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Exception\TimeoutException;
use Facebook\WebDriver\Exception\WebDriverException;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\DriverCommand;
use Facebook\WebDriver\Remote\RemoteExecuteMethod;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverDimension;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\TestCase;
use Throwable;

/** The real interface in headless Chromium, against the real stack that bin/test has started (VICISSA_URL). */
abstract class BrowserTestCase extends TestCase
{
    private const WAIT = 25;

    private const RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

    private static ?ChromeDriverService $service = null;

    protected RemoteWebDriver $browser;

    /** @var array{int, int} */
    protected array $size = [1280, 800];

    /** Where the browser goes, when not straight to the stack. */
    protected ?string $base = null;

    /**
     * @var array<string, RemoteWebDriver> one for the desk and one for the phone, kept from test to test: opening one
     *     costs more than most tests
     */
    private static array $kept = [];

    protected function setUp(): void
    {
        $this->browser = self::cleared(...$this->size);
    }

    /** Whatever state the browsers are in after a failure, no later test should meet it. */
    protected function onNotSuccessfulTest(Throwable $caught): never
    {
        self::quitKept();

        throw $caught;
    }

    /** A browser in which nobody has been: a kept one on a new page, without anything that belonged to the last. */
    protected static function cleared(int $width, int $height): RemoteWebDriver
    {
        $kind = $width < 600 ? 'phone' : 'desk';
        if (!isset(self::$kept[$kind])) {
            if (self::$kept === []) {
                register_shutdown_function(self::quitKept(...));
            }

            return self::$kept[$kind] = self::open($width, $height);
        }
        $browser = self::$kept[$kind];
        $before = $browser->getWindowHandles();
        // Nothing that the last page still waits for may come in after its cookies are gone, and bring them back.
        foreach ($before as $handle) {
            $browser->switchTo()->window($handle)->get('about:blank');
        }
        $browser->switchTo()->newWindow();
        $page = $browser->getWindowHandle();
        foreach ($before as $handle) {
            $browser->switchTo()->window($handle)->close();
        }
        $browser->switchTo()->window($page);
        if ($kind === 'desk') {
            $browser->manage()->window()->setSize(new WebDriverDimension($width, $height));
        }
        self::setClock($browser);
        self::tell($browser, 'ServiceWorker.enable');
        self::tell($browser, 'ServiceWorker.stopAllWorkers');
        self::tell($browser, 'Network.clearBrowserCookies');
        self::tell($browser, 'Storage.clearDataForOrigin', [
            'origin' => self::url(),
            'storageTypes' => 'local_storage,indexeddb',
        ]);
        $browser->execute(DriverCommand::GET_LOG, ['type' => 'browser']);

        return $browser;
    }

    /**
     * At another moment (bin/test --at) the services' clock is moved beneath them; Chromium's own goes on, and its
     * pages are told.
     */
    private static function setClock(RemoteWebDriver $browser): void
    {
        $seconds = (int) getenv('VICISSA_CLOCK_S');
        if ($seconds !== 0) {
            self::tell($browser, 'Page.addScriptToEvaluateOnNewDocument', [
                'source' => sprintf(
                    <<<'JS'
                    (() => {
                        const now = () => Own.now() + %d, Own = Date
                        globalThis.Date = new Proxy(Own, {
                            construct: (of, given, as) => Reflect.construct(of, given.length ? given : [now()], as),
                            apply: () => String(new Own(now())),
                            get: (of, name) => (name === 'now' ? now : Reflect.get(of, name)),
                        })
                    })()
                    JS
                    ,
                    1000 * $seconds,
                ),
            ]);
        }
    }

    /** @param array<string, mixed> $params */
    protected static function tell(RemoteWebDriver $browser, string $command, array $params = []): void
    {
        $browser->executeCustomCommand('/session/:sessionId/goog/cdp/execute', 'POST', [
            'cmd' => $command,
            'params' => (object) $params,
        ]);
    }

    private static function quitKept(): void
    {
        foreach (self::$kept as $browser) {
            try {
                $browser->quit();
            } catch (WebDriverException) {
                // It had gone already.
            }
        }
        self::$kept = [];
    }

    /**
     * @param string|null $profile  a folder that outlives the browser; none when left out
     * @param list<string> $more    further words for it
     */
    public static function open(int $width, int $height, ?string $profile = null, array $more = []): RemoteWebDriver
    {
        self::$service ??= self::serve();
        $options = (new ChromeOptions())->addArguments([
            '--no-sandbox',
            '--disable-gpu',
            '--disable-dev-shm-usage',
            '--no-first-run',
            '--disable-background-networking',
            '--disable-component-update',
            '--disable-sync',
            '--disable-extensions',
            '--hide-scrollbars',
            '--force-device-scale-factor=1',
            "--window-size={$width},{$height}",
            ...$more,
        ]);
        if ($profile !== null) {
            // The shell doesn’t come up again with what it was left with.
            $options->setBinary('/usr/bin/chromium');
            $options->addArguments(['--headless=new', "--user-data-dir={$profile}"]);
        } else {
            // Not by its name on the path, a script that stays between: the driver would end that and leave the browser.
            $options->setBinary('/usr/lib/chromium/chromium-headless-shell');
        }
        if ($width < 600) {
            $options->setExperimentalOption('mobileEmulation', [
                'deviceMetrics' => ['width' => $width, 'height' => $height, 'pixelRatio' => 1],
            ]);
        }
        $capabilities = DesiredCapabilities::chrome();
        $capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
        $capabilities->setCapability('goog:loggingPrefs', ['browser' => 'ALL']);

        $browser = RemoteWebDriver::create(self::$service->getURL(), $capabilities, 20_000, 120_000);
        self::setClock($browser);

        return $browser;
    }

    protected function visit(string $path): void
    {
        $this->browser->get(($this->base ?? self::url()) . $path);
    }

    public static function url(): string
    {
        return getenv('VICISSA_URL') ?: self::fail('VICISSA_URL is not set: run these tests through bin/test.');
    }

    /**
     * Waits until it is so; a page that is drawn afresh between two questions is asked again.
     *
     * @param callable(): bool $so
     */
    protected function until(callable $so, string $what = 'It did not come to that.'): void
    {
        // Longer than for what is on its way already: some of it waits for the queue.
        try {
            $this->browser->wait(40, 200)->until(static function () use ($so): bool {
                try {
                    return $so();
                } catch (StaleElementReferenceException) {
                    return false;
                }
            });
        } catch (TimeoutException) {
            self::fail("{$what} {$this->shown()}");
        }
    }

    /** Waits until nothing is left to do behind the pages, where that can be asked: tests before this one may have left some. */
    protected function atRest(): void
    {
        $token = getenv('VICISSA_WATCH_TOKEN');
        if ($token === false) {
            return;
        }
        $asked = ['http' => ['header' => "Authorization: Bearer {$token}", 'timeout' => 10]];
        $this->until(static function () use ($asked): bool {
            $said = (string) file_get_contents(self::url() . '/metrics', false, stream_context_create($asked));
            preg_match_all('/^vicissa_queue_(?:waiting|put_off|at_work)\{lane="default"} (\d+)/m', $said, $found);

            return count($found[1]) === 3 && array_sum($found[1]) === 0;
        }, 'What was left to do behind the pages is done.');
    }

    /**
     * Waits, within the page, for an element that is there and can be seen: asking for it over and over costs more than
     * most pages.
     *
     * @param string|null $text  what the innermost element in it says that is meant
     */
    protected function see(string $xpath, ?string $text = null): RemoteWebElement
    {
        $end = microtime(true) + self::WAIT;
        do {
            try {
                $found = $this->browser->executeAsyncScript(
                    <<<'JS'
                    const [path, text, done] = arguments
                    const says = (node) => node.textContent.replace(/\s+/g, ' ').includes(text)
                    // The innermost that says it; asked as a path, each would be read as often as it is deep.
                    const innermost = (node) => {
                        for (let within = node; within; ) {
                            node = within
                            within = [...node.children].find(says)
                        }
                        return node
                    }
                    const shown = (node) => {
                        const box = node.getBoundingClientRect()
                        return node.checkVisibility({ opacityProperty: true, visibilityProperty: true }) && box.width * box.height > 0
                    }
                    const find = () => {
                        let node = document.evaluate(path, document, null, XPathResult.FIRST_ORDERED_NODE_TYPE, null).singleNodeValue
                        if (node && text !== null) node = says(node) ? innermost(node) : null
                        return node && shown(node) ? node : null
                    }
                    const at = find()
                    if (at) return done(at)
                    const end = (node) => { watch.disconnect(); clearInterval(now); clearTimeout(late); done(node) }
                    const look = () => { const node = find(); if (node) end(node) }
                    // A page being drawn changes a hundred times in a moment.
                    let soon = false
                    const watch = new MutationObserver(() => {
                        if (soon) return
                        soon = true
                        setTimeout(() => { soon = false; look() }, 20)
                    })
                    watch.observe(document, { subtree: true, childList: true, attributes: true, characterData: true })
                    // A style that arrives changes no node.
                    const now = setInterval(look, 100)
                    const late = setTimeout(() => end(null), 3000)
                    JS
                    ,
                    [$xpath, $text],
                );
                if (is_array($found)) {
                    return new RemoteWebElement(
                        new RemoteExecuteMethod($this->browser),
                        (string) current($found),
                        true,
                    );
                }
            } catch (JavascriptErrorException | StaleElementReferenceException $gone) {
                // The page went while it was looked at.
                if (str_contains($gone->getMessage(), 'valid XPath')) {
                    throw $gone;
                }
                usleep(50_000);
            }
        } while (microtime(true) < $end);
        self::fail("Not seen: {$xpath} " . ($text === null ? '' : "“{$text}” ") . $this->shown());
    }

    /** Where one is, and what the page says for itself: refusals, what goes on, its beginning. */
    private function shown(): string
    {
        return (string) $this->browser->executeScript(
            <<<'JS'
            const said = [...document.querySelectorAll('[role=alert], [role=status]')].map((node) => node.innerText)
            return `(at ${location.pathname}: ${[...said, document.querySelector('main')?.innerText ?? ''].join(' | ').slice(0, 2000)})`
            JS
            ,
        );
    }

    protected function seeText(string $text): RemoteWebElement
    {
        return $this->see('//main', $text);
    }

    /** A control by the words beside it. */
    protected function field(string $label): RemoteWebElement
    {
        return $this->see(self::control($label));
    }

    private static function control(string $label): string
    {
        return sprintf(
            '//*[self::input or self::textarea][@id = //label[starts-with(normalize-space(.), %s)]/@for or starts-with(@aria-label, %1$s)]',
            self::quoted($label),
        );
    }

    /**
     * @param string $value  of a day as 2026-12-31, of a day with its time as 2026-12-31T18:30, of a list what it says
     */
    protected function fill(string $label, string $value): void
    {
        $control = self::control($label);
        // Of a list, the box around what is typed is what one sees.
        $found = $this->see("({$control} | {$control}/ancestor::*[contains(@class, 'el-select__wrapper')])[1]");
        if (str_contains((string) $found->getAttribute('class'), 'el-select__wrapper')) {
            $this->click($found);
            $this->click(
                $this->see(
                    // Lists stay in the page, closed, between two openings.
                    sprintf(
                        '//*[@aria-hidden = "false"]//*[@role = "option"][normalize-space(.) = %s]',
                        self::quoted($value),
                    ),
                ),
            );

            return;
        }
        if ($found->getAttribute('role') === 'combobox' || self::typed($value) !== $value) {
            if ($found->getAttribute('readonly') !== null) {
                $this->pick($found, $value);

                return;
            }
            // By keys, so that the panel closes again.
            $this->click($found);
            $found->sendKeys([
                WebDriverKeys::CONTROL,
                'a',
                WebDriverKeys::NULL,
                self::typed($value),
                WebDriverKeys::ENTER,
            ]);

            return;
        }
        $this->enter($found, $value);
    }

    private function enter(RemoteWebElement $input, string $value): void
    {
        $this->browser->executeScript(
            'const [e, v] = arguments; e.value = v; e.dispatchEvent(new Event("input", { bubbles: true })); e.dispatchEvent(new Event("change", { bubbles: true }))',
            [$input, $value],
        );
    }

    /** A day, or a day and its time, under a thumb: out of the panel, where no keys come up. */
    private function pick(RemoteWebElement $field, string $value): void
    {
        $stands = (string) $field->getAttribute('value');
        $this->click($field);
        $panel = '//*[contains(@class, "el-picker__popper")][@aria-hidden = "false"]';
        if (str_contains($value, 'T')) {
            foreach ([1 => date('j M Y', (int) strtotime($value)), 2 => substr($value, 11)] as $n => $typed) {
                $this->enter($this->see("({$panel}//input)[{$n}]"), $typed);
            }
            $this->click($this->see("{$panel}//button[normalize-space(.) = 'OK']"));

            return;
        }
        $months =
            12 * ((int) date('Y', (int) strtotime($value)) - (int) date('Y', (int) strtotime($stands))) +
            ((int) date('n', (int) strtotime($value)) - (int) date('n', (int) strtotime($stands)));
        for ($i = abs($months); $i > 0; $i--) {
            $this->click(
                $this->see(
                    sprintf('%s//button[@aria-label = "%s"]', $panel, $months < 0 ? 'Previous Month' : 'Next Month'),
                ),
            );
        }
        $this->click(
            $this->see(
                sprintf(
                    '%s//td[contains(@class, "available")][normalize-space(.) = "%d"]',
                    $panel,
                    (int) date('j', (int) strtotime($value)),
                ),
            ),
        );
    }

    /** A day as somebody types it who reads English. */
    private static function typed(string $value): string
    {
        return match (true) {
            preg_match('/^\d{4}-\d\d-\d\d$/', $value) === 1 => date('j M Y', (int) strtotime($value)),
            preg_match('/^\d{4}-\d\d-\d\dT\d\d:\d\d$/', $value) === 1 => date('j M Y H:i', (int) strtotime($value)),
            default => $value,
        };
    }

    /** The day that stands in a field, as 2026-12-31. */
    protected function dayIn(string $label): string
    {
        return date('Y-m-d', (int) strtotime((string) $this->field($label)->getAttribute('value')));
    }

    /** What can't be pressed yet is waited for. */
    protected function press(string $text): void
    {
        $button = $this->see(
            sprintf(
                '//*[self::button or self::a or self::summary][not(@disabled)][contains(normalize-space(.), %s)]',
                self::quoted($text),
            ),
        );
        $this->click($button);
    }

    /** Chooses a radio or checkbox by its words within a group. */
    protected function choose(string $group, string $option): void
    {
        $this->click(
            $this->see(
                sprintf(
                    '//fieldset[legend[contains(normalize-space(.), %s)]]//label[contains(normalize-space(.), %s)]',
                    self::quoted($group),
                    self::quoted($option),
                ),
            ),
        );
    }

    /** Whether an option of a group is taken; the radio itself lies unseen under its words. */
    protected function isChosen(string $group, string $option): bool
    {
        $label = $this->see(
            sprintf(
                '//fieldset[legend[contains(normalize-space(.), %s)]]//label[contains(normalize-space(.), %s)]',
                self::quoted($group),
                self::quoted($option),
            ),
        );

        return $label->findElement(WebDriverBy::tagName('input'))->isSelected();
    }

    /**
     * Pressed where it stands, once nothing moves it any more: what slides between aiming and pressing is pressed by
     * nobody.
     */
    protected function click(RemoteWebElement $element): void
    {
        for ($times = 0; $times < 5; $times++) {
            $this->broughtToRest($element);
            try {
                if ($this->presses($element)) {
                    return;
                }
            } catch (ElementClickInterceptedException) {
                // Something was still sliding into place above it.
                usleep(400_000);
            }
        }
        self::fail('It could not be pressed: something else was where it had been. ' . $this->shown());
    }

    private function broughtToRest(RemoteWebElement $element): void
    {
        $this->browser->executeAsyncScript(
            <<<'JS'
            const [node, done] = arguments
            node.scrollIntoView({ block: 'center' })
            let before = '', frames = 0
            const look = () => {
                const { x, y } = node.getBoundingClientRect()
                if (`${x} ${y}` === before || ++frames > 120) return done()
                before = `${x} ${y}`
                requestAnimationFrame(() => requestAnimationFrame(look))
            }
            look()
            JS
            ,
            [$element],
        );
    }

    /** Whether it was pressed: what moves between finger down and finger up is not, as under a real finger. */
    private function presses(RemoteWebElement $element): bool
    {
        $this->browser->executeScript(
            <<<'JS'
            if (!window.pressed) {
                document.addEventListener('click', (event) => { window.pressed.push(...event.composedPath()) }, { capture: true })
            }
            window.pressed = []
            window.aimed = arguments[0]
            JS
            ,
            [$element],
        );
        $element->click();

        try {
            // Where page or thing went away with it, it was.
            return $this->browser->executeScript(
                'return !window.aimed?.isConnected || window.pressed.includes(window.aimed)',
            ) === true;
        } catch (JavascriptErrorException) {
            return true;
        }
    }

    /**
     * What the API says to whoever is signed in on the page: `call(method, path, body)` within a script that returns.
     * What it refuses is a failure here.
     */
    protected function ask(string $script, mixed ...$given): mixed
    {
        $said = $this->browser->executeAsyncScript(
            <<<JS
            const given = [...arguments]
            const done = given.pop()
            const once = (method, path, body) => {
                const token = decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1] ?? '')
                const headers = { 'Content-Type': 'application/json', Accept: 'application/json', 'X-XSRF-TOKEN': token }
                return fetch(`/api/v1/\${path}`, { method, headers, body: JSON.stringify(body) })
            }
            const call = async (method, path, body) => {
                let answer = await once(method, path, body)
                // A page too old is loaded anew by whoever sits before it: a late answer may have brought another cookie.
                if (answer.status === 419) {
                    await fetch('/sanctum/csrf-cookie')
                    answer = await once(method, path, body)
                }
                // What is being made is asked for again.
                while (answer.status === 503 && answer.headers.has('Retry-After')) {
                    await new Promise((again) => setTimeout(again, 2000))
                    answer = await once(method, path, body)
                }
                if (!answer.ok) throw new Error(`\${path}: \${answer.status} \${await answer.text()}`)
                return answer.status === 204 ? null : answer.json()
            }
            ;(async () => { {$script} })().then((said) => done({ said: said ?? null }), (caught) => done({ refused: String(caught) }))
            JS
            ,
            $given,
        );
        self::assertArrayNotHasKey('refused', $said, $said['refused'] ?? '');

        return $said['said'];
    }

    /** Past the door without typing, for whoever goes on from there; FilmTest types. */
    protected function signIn(string $email, string $password = 'sea-pink-tide'): void
    {
        $this->visit('/up');
        $this->see('//p');
        $this->ask(
            <<<'JS'
            const [email, password] = given
            await fetch('/sanctum/csrf-cookie')
            return call('POST', 'auth/sign-in', { email, password })
            JS
            ,
            $email,
            $password,
        );
    }

    protected function atFilm(): void
    {
        $this->visit('/');
        $this->see('//h1[normalize-space(.) = "Film"]');
    }

    /** The day the demo lives on: yesterday, once midnight has gone by since it was loaded. Round is open. */
    protected function demoDay(): string
    {
        $today = $this->dayIn('Day');
        $stops = $this->ask('return (await call("GET", `round?on=${given[0]}`)).stops.length', $today);

        return $stops > 0 ? $today : date('Y-m-d', (int) strtotime("{$today} -1 day"));
    }

    protected function signInByHand(string $email, string $password = 'sea-pink-tide'): void
    {
        $this->visit('/sign-in');
        $this->field('E-mail')->sendKeys($email);
        $this->field('Password')->sendKeys($password);
        $this->press('Sign in');
        $this->see('//h1[normalize-space(.) = "Film"]');
    }

    /** On the bench, with its match there: a mild grey morning, whatever the season and the hour outside. */
    protected function calm(): void
    {
        $this->see('//section[@aria-label = "The match"]//h2');
        foreach (
            ['Air' => '14', 'Humidity' => '70', 'Wind' => '2', 'Sun' => '100', 'Panel' => '15']
            as $label => $value
        ) {
            $this->fill($label, $value);
        }
        $this->seeText('By hand.');
        $rain = $this->see('//label[contains(., "It rains")]');
        if ($rain->findElement(WebDriverBy::tagName('input'))->isSelected()) {
            $this->click($rain);
        }
        $this->see('//section[@aria-label = "The match" and @aria-busy = "false"]');
    }

    /**
     * Fails on any violation that axe finds on the page as it stands.
     *
     * @param string|null $rule  that one alone
     */
    protected function assertAccessible(string $where, ?string $rule = null): void
    {
        // From the top, where the band lies over nothing, and when what goes away has gone.
        $this->browser->executeAsyncScript(
            <<<'JS'
            const done = arguments[0]
            const frame = () => new Promise((go) => requestAnimationFrame(() => requestAnimationFrame(go)))
            const late = new Promise((go) => setTimeout(go, 3000))
            window.scrollTo(0, 0)
            ;(async () => {
                await frame()
                const moving = document.getAnimations().filter((one) => one.effect?.getComputedTiming().endTime !== Infinity)
                await Promise.race([Promise.all(moving.map((one) => one.finished.catch(() => undefined))), late])
                await frame()
            })().then(done, done)
            JS
            ,
        );
        $this->browser->executeScript((string) file_get_contents('node_modules/axe-core/axe.min.js'));
        /**
         * @var list<array{id: string, help: string, nodes: list<array{html: string,
         *     any: list<array{message: string}>}>}> $violations
         */
        $violations = $this->browser->executeAsyncScript(
            'const [runOnly, done] = arguments; axe.run(document, { runOnly, resultTypes: ["violations"] }).then((result) => done(result.violations))',
            [$rule === null ? self::RULES : ['type' => 'rule', 'values' => [$rule]]],
        );
        self::assertSame(
            [],
            array_map(
                static fn(array $violation): string => "{$violation['id']}: {$violation['help']} in " .
                    mb_strimwidth($violation['nodes'][0]['html'], 0, 200) .
                    ' ' .
                    ($violation['nodes'][0]['any'][0]['message'] ?? ''),
                $violations,
            ),
            "axe on {$where}",
        );
    }

    /** Nothing may have been logged as an error, but for what the test expects. */
    protected function assertQuietConsole(string ...$expected): void
    {
        /** @var list<array{level: string, message: string}> $entries */
        $entries = $this->browser->execute(DriverCommand::GET_LOG, ['type' => 'browser']);
        $errors = array_filter(
            $entries,
            static fn(array $entry): bool => $entry['level'] === 'SEVERE' &&
                array_filter($expected, static fn(string $part): bool => str_contains($entry['message'], $part)) === [],
        );
        self::assertSame([], array_column($errors, 'message'));
    }

    /** A file with this text, put into the first file field. */
    protected function chooseFile(string $text): void
    {
        // The browser is on this machine, and reads the file itself, when its page asks: it stays until the end.
        $path = tempnam(sys_get_temp_dir(), 'shelf') . '.csv';
        file_put_contents($path, $text);
        chmod($path, 0644);
        register_shutdown_function(unlink(...), $path);
        $this->browser->findElement(WebDriverBy::cssSelector('input[type=file]'))->sendKeys($path);
    }

    protected static function quoted(string $text): string
    {
        return str_contains($text, '"') ? "'{$text}'" : "\"{$text}\"";
    }

    private static function serve(): ChromeDriverService
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        self::assertNotFalse($socket);
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($socket, false), ':'), 1);
        fclose($socket);
        $service = new ChromeDriverService(
            '/usr/bin/chromedriver',
            $port,
            ["--port={$port}", '--silent'],
            ['LD_PRELOAD' => false],
        );
        $service->start();

        return $service;
    }
}
