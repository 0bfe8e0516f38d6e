<?php

declare(strict_types=1);

use Illuminate\Process\PendingProcess;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Process;

/*
 * How bin/start and bin/stop know their processes: a pid alone is another program's before long.
 */

beforeEach(function (): void {
    $this->var = storage_path('services-'.getmypid());
    File::ensureDirectoryExists("{$this->var}/run");
    File::ensureDirectoryExists("{$this->var}/logs");
    $root = base_path();
    $this->bash = function (string $script) use ($root): string {
        /** @var PendingProcess $process */
        $process = Process::env(['CAIRNFIELD_VAR' => $this->var])->timeout(60);
        $result = $process->run(['bash', '-c', ". {$root}/bin/support/environment.sh; . {$root}/bin/support/services.sh; {$script}"]);

        return trim($result->output());
    };
    $this->until = static fn (string $condition): string => "for tried in \$(seq 300); do {$condition} && break; sleep 0.1; done";
    // Something of ours that runs, and a stranger.
    ($this->bash)('launch kite bash -c "sleep 300 & sleep 301"; '.($this->until)('[ "$(those_of kite | wc -l)" -ge 2 ]'));
    $this->stranger = Process::start(['sleep', '302']);
});

afterEach(function (): void {
    ($this->bash)('stop_services kite; end_supervision');
    $this->stranger->running() && $this->stranger->signal(SIGKILL);
    File::deleteDirectory($this->var);
});

it('knows what it launched, and stops all of it', function (): void {
    expect(($this->bash)('is_alive kite && echo yes; those_of kite | wc -l'))->toStartWith("yes\n")->not->toEndWith("\n0")
        ->and(($this->bash)('stop_services kite; is_alive kite || echo no; those_of kite'))->toBe('no');
});

it('takes no stranger for its own, and stops none, whatever the pid file says', function (): void {
    $stranger = (string) $this->stranger->id();
    // Another's pid, a pid without its beginning, no number, nothing.
    foreach (["{$stranger} 12345\n", $stranger, "kite\n", ''] as $written) {
        file_put_contents("{$this->var}/run/kite.pid", $written);
        expect(($this->bash)('is_alive kite && echo yes'))->toBe('');
    }
    file_put_contents("{$this->var}/run/kite.pid", "{$stranger} 12345\n");
    expect(($this->bash)('stop_services kite; those_of kite'))->toBe('')
        ->and($this->stranger->running())->toBeTrue();
});

it('finds what is left of itself also where that hides its name, and nobody else who reads its log', function (): void {
    $hidden = 'env -i bash -c "exec -a something sleep 303" >> "$LOGS/kite.log" 2>&1 & echo $!';
    $pid = (int) ($this->bash)($hidden);
    $reader = Process::start(['tail', '-f', "{$this->var}/logs/kite.log"]);
    expect(explode("\n", ($this->bash)('those_of kite')))->toContain((string) $pid)->not->toContain((string) $reader->id());
    ($this->bash)('rm -f "$RUN/kite.pid"; stop_services kite');
    expect(($this->bash)("began_at {$pid}"))->toBe('')->and($reader->running())->toBeTrue();
    $reader->signal(SIGKILL);
});

it('runs once, whatever of it and of its supervisors was killed or lost', function (string $broken, string $launched): void {
    $count = (int) ($this->bash)('those_of kite | wc -l');
    ($this->bash)("read -r old began < \"\$RUN/kite.pid\"; {$broken}; {$launched}");
    $whole = ($this->until)("[ \"\$(those_of kite | wc -l)\" = {$count} ] && is_alive kite && is_alive supervisor");
    $supervisors = 'pgrep -c -x -f "runsvdir -P $SERVICES"; sv status "$SERVICES/kite" | cut -c1-3';
    expect(($this->bash)("{$whole}; those_of kite | wc -l; {$supervisors}"))->toBe("{$count}\n1\nrun");
})->with([
    'killed' => ['kill -KILL "$old"; while [ -n "$(began_at "$old")" ]; do :; done'],
    'its pid file lost' => ['rm "$RUN/kite.pid"'],
    'its supervisor killed, then itself' => ['kill -KILL $(pgrep -f "runsv kite$" -P "$(cut -d " " -f 1 "$RUN/supervisor.pid")")
        for tried in $(seq 100); do has_supervisor kite && break; sleep 0.1; done; kill -KILL "$old"'],
    'all supervisors killed' => ['kill -KILL $(those_of supervisor)'],
    'everything killed' => ['kill -KILL $(those_of supervisor) $(those_of kite)'],
])->with(['launched again' => ['is_alive kite && is_alive supervisor || launch kite bash -c "sleep 300 & sleep 301"']]);

it('brings back by itself what was killed, also the supervisor of all', function (): void {
    ($this->bash)('launch supervision "$ROOT/bin/support/keep-supervision"');
    ($this->bash)('kill -KILL $(those_of supervisor)');
    $isBack = 'is_alive supervisor && has_supervisor kite';
    expect(($this->bash)(($this->until)($isBack)."; {$isBack} && echo yes"))->toBe('yes');
    $isAnother = ($this->until)('[ "$(cut -d " " -f 1 "$RUN/kite.pid")" != "$old" ]');
    ($this->bash)("read -r old began < \"\$RUN/kite.pid\"; kill -KILL \"\$old\"; {$isAnother}");
    expect(($this->bash)(($this->until)('is_alive kite').'; is_alive kite && echo yes'))->toBe('yes');
    ($this->bash)('stop_services kite; end_supervision');
    expect(($this->bash)('those_of kite; those_of supervision; those_of supervisor; is_alive kite || echo none'))->toBe('none');
});
