<?php

declare(strict_types=1);

namespace Tests\Fixtures;

use Illuminate\Contracts\Foundation\Application;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use RuntimeException;
use Symfony\Component\Process\Process;

/**
 * The database of one process of the tests: migrated, and filled with the small store. Both are done once and written
 * to a file, from which the database of every process is made; what was made is used again by the next run, for as
 * long as neither the migrations nor the store change.
 */
final class TestDatabase
{
    /** What every other one is made of, and put back from. */
    private const MODEL = 'cairnfield_tests_model';

    /** @var array<string, true> by name, those that are as they should be */
    private static array $ready = [];

    /**
     * Turns the application's connection to the database of this process, making it where it is missing.
     *
     * @param  string  $for  part of its name, where a test must not share that of the others
     */
    public static function use(Application $app, string $for = ''): void
    {
        $name = implode(
            '_',
            array_filter(['cairnfield_tests', $for, (string) getenv('TEST_TOKEN')], static fn (string $part): bool => $part !== '')
        );
        self::turnTo($app, $name);
        if (! isset(self::$ready[$name])) {
            self::isMade($name) ?: self::make($app, $name);
            self::$ready[$name] = true;
        }
    }

    /**
     * Puts the database of this connection back as it was made: something was committed to it. Only tables that hold
     * anything are touched, which takes a tenth of the time of making it anew.
     */
    public static function restore(): void
    {
        $name = DB::connection()->getDatabaseName();
        DB::statement('SET FOREIGN_KEY_CHECKS=0');
        $tables = DB::connection('server')
            ->table('information_schema.tables')
            ->where('table_schema', self::MODEL)
            ->pluck('table_name')
            ->all();
        foreach ($tables as $table) {
            $holds = static fn (string $database): bool => DB::selectOne(
                "SELECT EXISTS (SELECT 1 FROM `{$database}`.`{$table}`) AS holds"
            )->holds === 1;
            $holds($name) && DB::statement("DELETE FROM `{$name}`.`{$table}`");
            $holds(self::MODEL) && DB::statement("INSERT INTO `{$name}`.`{$table}` SELECT * FROM `".self::MODEL."`.`{$table}`");
        }
        DB::statement('SET FOREIGN_KEY_CHECKS=1');
    }

    private static function isMade(string $name): bool
    {
        $exists = DB::connection('server')->select(
            'SELECT 1 FROM information_schema.tables WHERE table_schema = ? AND table_name = ?', [$name, 'made_from']
        ) !== [];

        // A test that was killed, or that committed what it should not have, may have left something.
        return $exists && DB::connection('server')->scalar(
            "SELECT stamp FROM `{$name}`.made_from WHERE NOT EXISTS (SELECT 1 FROM `{$name}`.conversations)"
        ) === self::stamp();
    }

    private static function make(Application $app, string $name): void
    {
        $folder = storage_path('tests');
        is_dir($folder) || @mkdir($folder, 0o755, true) || is_dir($folder) || throw new RuntimeException("{$folder} cannot be made.");
        $dump = "{$folder}/".self::stamp().'.sql';
        // Two processes that start at once: the second one waits for the file of the first.
        $lock = fopen("{$folder}/lock", 'c') ?: throw new RuntimeException("{$folder}/lock cannot be written.");
        flock($lock, LOCK_EX);
        try {
            is_file($dump) || self::write($app, $dump);
        } finally {
            fclose($lock);
        }
        self::createEmpty($name);
        self::shell('mariadb', $name, '< '.escapeshellarg($dump));
        self::turnTo($app, $name);
    }

    private static function write(Application $app, string $dump): void
    {
        array_map(unlink(...), glob(dirname($dump).'/*.sql') ?: []);
        self::createEmpty(self::MODEL);
        self::turnTo($app, self::MODEL);
        Artisan::call('migrate', ['--force' => true]);
        $app->make(SmallStore::class)->build();
        DB::statement('CREATE TABLE made_from (stamp char(64) NOT NULL)');
        DB::table('made_from')->insert(['stamp' => self::stamp()]);
        self::shell(
            'mariadb-dump',
            '--no-tablespaces --skip-lock-tables --single-transaction '.self::MODEL,
            '> '.escapeshellarg("{$dump}.new")
        );
        rename("{$dump}.new", $dump);
    }

    private static function createEmpty(string $name): void
    {
        DB::connection('server')->unprepared("DROP DATABASE IF EXISTS `{$name}`");
        DB::connection('server')->unprepared("CREATE DATABASE `{$name}` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci");
    }

    private static function turnTo(Application $app, string $name): void
    {
        $settings = config('database.connections.mariadb');
        config([
            'database.connections.mariadb' => [...$settings, 'database' => $name],
            'database.connections.server' => [...$settings, 'database' => ''],
        ]);
        $app->make('db')->purge('mariadb');
    }

    private static function shell(string $command, string $what, string $file): void
    {
        $settings = config('database.connections.mariadb');
        $where = "--no-defaults --host=127.0.0.1 --port={$settings['port']} --user={$settings['username']}";
        $process = Process::fromShellCommandline("{$command} {$where} {$what} {$file}", env: ['MYSQL_PWD' => $settings['password']]);
        $process->setTimeout(120)->mustRun();
    }

    /**
     * Of all that decides what stands in it.
     */
    private static function stamp(): string
    {
        static $stamp = null;
        if ($stamp === null) {
            $files = [...(glob(database_path('migrations/*.php')) ?: []), ...(glob(__DIR__.'/*.php') ?: [])];
            $stamp = hash(
                'sha256',
                config('app.key').implode('', array_map(static fn (string $file): string => hash_file('sha256', $file), $files))
            );
        }

        return $stamp;
    }
}
