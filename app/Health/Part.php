<?php

declare(strict_types=1);

namespace App\Health;

/**
 * The parts that work by themselves, without anybody asking.
 */
enum Part: string
{
    case Intake = 'intake';
    case Outbox = 'outbox';
    case Rules = 'rules';
    case Schedule = 'schedule';

    /**
     * Whose queue it is.
     *
     * @param  string  $queues  as a worker is told them, such as `outbox,settling,default`
     */
    public static function ofQueues(string $queues): ?self
    {
        $first = explode(',', $queues)[0];

        // Whoever sends answers does what is less urgent, too.
        return in_array($first, ['settling', 'default'], true) ? self::Outbox : self::tryFrom($first);
    }

    /**
     * What has not happened while it is dead, as `… since 11:00`.
     */
    public function without(): string
    {
        return match ($this) {
            self::Intake => 'Nothing that customers write has been taken in',
            self::Outbox => 'No answer has left',
            self::Rules => 'No rule and no reminder has run',
            self::Schedule => 'No mailbox has been read, and nothing has happened at its time',
        };
    }

    /**
     * Where it has written what went wrong, in `var/logs`.
     */
    public function log(): string
    {
        return $this === self::Schedule ? 'scheduler.log' : "worker-{$this->value}.log";
    }
}
