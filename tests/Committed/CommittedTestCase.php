<?php

declare(strict_types=1);

namespace Tests\Committed;

use App\Promises\KeepPromises;
use Illuminate\Support\Facades\DB;
use RuntimeException;
use Tests\App\AppTestCase;
use Tests\Fixtures\TestDatabase;
use Throwable;

/**
 * For tests of what only committed rows show: two at once, the full-text index. Each has a database of its own, put
 * back as it was afterwards.
 */
abstract class CommittedTestCase extends AppTestCase
{
    protected const DATABASE = 'committed';

    protected function begin(): void
    {
        KeepPromises::$around = 0;
        // What is done here is committed.
        $this->beforeApplicationDestroyed(TestDatabase::restore(...));
    }

    /**
     * Does something in processes of their own, all beginning at the same moment, each with its own connection.
     *
     * @param  callable(int): mixed  $do  given the number of the process, from 0
     * @return list<string> what each of them failed with; empty where it did not
     */
    public function atOnce(int $processes, callable $do): array
    {
        DB::disconnect();
        $running = [];
        for ($number = 0; $number < $processes; $number++) {
            [$ours, $theirs] = stream_socket_pair(
                STREAM_PF_UNIX, STREAM_SOCK_STREAM, STREAM_IPPROTO_IP
            ) ?: throw new RuntimeException('No pair of sockets.');
            $pid = pcntl_fork();
            if ($pid === 0) {
                $this->inProcessOfItsOwn($theirs, static fn () => $do($number));
            }
            fclose($theirs);
            $running[$pid] = $ours;
        }
        // Each says that it is ready; then all are let go.
        array_map(static fn ($socket): string|false => fread($socket, 1), $running);
        array_map(static fn ($socket): int|false => fwrite($socket, 'g'), $running);
        $failures = [];
        foreach ($running as $pid => $ours) {
            $failures[] = (string) stream_get_contents($ours);
            fclose($ours);
            pcntl_waitpid($pid, $status);
        }

        return $failures;
    }

    /**
     * Never comes back: the framework's and the runner's endings belong to the parent.
     *
     * @param  resource  $socket  to the parent
     * @param  callable(): mixed  $do
     */
    private function inProcessOfItsOwn($socket, callable $do): never
    {
        try {
            DB::purge();
            DB::select('SELECT 1');
            fwrite($socket, 'r');
            fread($socket, 1);
            $do();
        } catch (Throwable $failure) {
            fwrite($socket, $failure::class.": {$failure->getMessage()}");
        } finally {
            fclose($socket);
            posix_kill(posix_getpid(), SIGKILL);
        }
        exit;
    }
}
