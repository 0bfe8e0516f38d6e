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
    // Something of ours that runs, and a stranger.
    ($this->bash)('launch kite bash -c "sleep 300 & sleep 301"; until [ "$(those_of kite | wc -l)" -ge 2 ]; do :; done');
    $this->stranger = Process::start(['sleep', '302']);
});

afterEach(function (): void {
    ($this->bash)('stop_services kite');
    $this->stranger->running() && $this->stranger->signal(SIGKILL);
    File::deleteDirectory($this->var);
});

it('knows what it launched, and stops all of it', function (): void {
    expect(($this->bash)('is_alive kite && echo yes; those_of kite | wc -l'))->toStartWith("yes\n")->not->toEndWith("\n0")
        ->and(($this->bash)('stop_services kite; is_alive kite || echo no; those_of kite'))->toBe('no');
});

it('takes no stranger for its own, and stops none, whatever the pid file says', function (string $written): void {
    file_put_contents("{$this->var}/run/kite.pid", strtr($written, ['PID' => (string) $this->stranger->id()]));
    expect(($this->bash)('is_alive kite && echo yes'))->toBe('')
        ->and(($this->bash)('stop_services kite; those_of kite'))->toBe('')
        ->and($this->stranger->running())->toBeTrue();
})->with(['another’s pid' => ["PID 12345\n"], 'a pid without its beginning' => ['PID'], 'nothing' => [''], 'no number' => ["kite\n"]]);

it('runs once what is launched again after its keeper was killed, or its pid file was lost', function (string $broken): void {
    $count = (int) ($this->bash)('those_of kite | wc -l');
    ($this->bash)($broken);
    $again = 'is_alive kite || launch kite bash -c "sleep 300 & sleep 301"; until [ "$(those_of kite | wc -l)" -ge 2 ]; do :; done';
    expect(($this->bash)("{$again}; those_of kite | wc -l"))->toBe((string) $count);
})->with([
    'killed' => ['read -r pid began < "$RUN/kite.pid"; kill -KILL "$pid"; while is_alive kite; do :; done'],
    'lost' => ['rm "$RUN/kite.pid"'],
]);
