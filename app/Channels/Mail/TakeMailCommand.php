<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use App\Channels\Account;
use App\Channels\Channel;
use Illuminate\Console\Command;
use Throwable;

/**
 * Takes a raw message from standard input, for mail servers that pipe what arrives.
 */
final class TakeMailCommand extends Command
{
    /** What mail servers read as “try again later” (EX_TEMPFAIL of sysexits.h). */
    private const TRY_LATER = 75;

    protected $signature = 'mail:take {--account= : the address it arrived at, where its recipients do not tell}';

    protected $description = 'Takes a raw email from standard input and prints what became of it as one JSON line';

    public function handle(TakeMail $takeMail): int
    {
        $address = $this->option('account');
        $account = null;
        if (is_string($address) && $address !== '') {
            $account = Account::query()->whereIn('channel', Channel::mail())->where('address', $address)->first();
            if ($account === null) {
                $this->getOutput()->getErrorStyle()->writeln("There is no email account with the address '{$address}'.");

                return self::INVALID;
            }
        }
        try {
            $taken = $takeMail->take((string) stream_get_contents(STDIN), $account);
        } catch (Throwable $fault) {
            report($fault);
            $this->getOutput()->getErrorStyle()->writeln("The message was not taken; try again later: {$fault->getMessage()}");

            return self::TRY_LATER;
        }
        $this->getOutput()->writeln($taken->toJson(), \Symfony\Component\Console\Output\OutputInterface::OUTPUT_RAW);

        return self::SUCCESS;
    }
}
