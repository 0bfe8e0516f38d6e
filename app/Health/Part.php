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
     * @param  string  $queues  as a worker is told them, such as `outbox,default`
     */
    public static function ofQueues(string $queues): ?self
    {
        return self::tryFrom(explode(',', $queues)[0]);
    }

    /**
     * What does not happen while it is dead.
     */
    public function without(): string
    {
        return match ($this) {
            self::Intake => 'Nothing that customers write is taken in',
            self::Outbox => 'Answers do not leave',
            self::Rules => 'Rules and reminders do not run',
            self::Schedule => 'Mailboxes are not read, and nothing happens at its time',
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
