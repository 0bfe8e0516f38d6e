<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use App\Channels\Account;
use App\Channels\AccountState;
use App\Channels\Channel;
use App\Channels\DeliveryFailed;
use App\Channels\ReceivedMessage;
use Cairnfield\Core\Threading\ReplyToken;
use Cairnfield\Core\Threading\ReturnPath;
use Cairnfield\Core\Threading\SignedDetail;
use Symfony\Component\Mime\Email as MailToSend;

/**
 * Addresses of an account with a detail (`care+…@`, RFC 5233), by which answers and reports find back. Not every mail server
 * takes them, and one that does not loses what is written to them: an account uses them only once a mail of our own to such
 * an address has arrived.
 */
final readonly class AddressDetails
{
    /** Days after which an address of a conversation in which nothing happens any more brings nothing into it. */
    public const REPLIES_FOR = 365;

    /** Days after which nothing can come back for a message: mail systems give up within a week. */
    public const REPORTS_FOR = 30;

    public function __construct(private SmtpSender $sender) {}

    /**
     * Where an answer to a conversation goes.
     */
    public static function replyTo(Account $account, int $conversation): string
    {
        return $account->takes_details ? ReplyToken::addTo($account->address, $conversation, self::secret()) : $account->address;
    }

    /**
     * Where reports about a message go.
     */
    public static function returnPath(Account $account, int $message): string
    {
        return $account->takes_details ? ReturnPath::addTo($account->address, $message, self::secret()) : $account->address;
    }

    /**
     * The conversation that one of these addresses is of.
     *
     * @param  list<string>  $addresses
     */
    public static function conversationOf(array $addresses): ?int
    {
        return self::first($addresses, static fn (string $address): ?int => ReplyToken::read($address, self::secret()));
    }

    /**
     * The message of ours that one of these addresses is of.
     *
     * @param  list<string>  $addresses
     */
    public static function messageOf(array $addresses): ?int
    {
        return self::first($addresses, static fn (string $address): ?int => ReturnPath::read($address, self::secret()));
    }

    /**
     * Sends ourselves a mail, to see whether it arrives. What is known until then stays as it is.
     *
     * @throws DeliveryFailed where it is not even taken over, and may be later
     */
    public function try(Account $account): void
    {
        $to = self::detail()->addTo($account->address, $account->id, self::secret());
        $mail = (new MailToSend)
            ->from($account->address)
            ->to($to)
            ->subject('Does mail to '.ReplyToken::withoutDetail($to).' with a detail arrive?')
            ->text('Cairnfield has written this to itself, to see whether an address with a detail can be used for answers. '
                ."Nothing needs to be done about it.\n");
        $mail->getHeaders()->addTextHeader('Auto-Submitted', 'auto-generated');
        $mail->getHeaders()->addIdHeader('Message-ID', $to);
        try {
            $this->sender->sendOwn($account, $mail);
        } catch (DeliveryFailed $failure) {
            $failure->isFinal ?: throw $failure;
            $account->takes_details = false;
        }
        $account->forceFill(['details_tried_at' => now()])->save();
    }

    /**
     * Accounts that it was not tried with yet.
     */
    public function tryUntried(): void
    {
        $untried = Account::query()
            ->whereIn('channel', Channel::mail())
            ->where('state', AccountState::Active)
            ->whereNull('details_tried_at')
            ->get();
        foreach ($untried as $account) {
            // What goes wrong is told where the account's mail is sent and read.
            rescue(fn () => $this->try($account), report: false);
        }
    }

    /**
     * Notes what our own mail shows that arrived, or a report that it did not.
     *
     * @param  Account|null  $account  where it arrived, where that is known
     * @return bool whether it is one of these: nobody has to read it
     */
    public static function noteOwn(ReceivedMessage $received, ?Account $account): bool
    {
        $arrived = self::detail();
        $of = static fn (array $addresses): ?int => self::first(
            $addresses, static fn (string $address): ?int => $arrived->read($address, self::secret())
        );
        $takes = $of($received->to);
        $refuses = $received->bounce === null ? null : $of($received->bounce->messageIds);
        if ($takes === null && $refuses === null) {
            return false;
        }
        // What arrives in another mailbox is of no use.
        $takesIt = $refuses === null && ($account === null || $account->id === $takes);
        Account::query()->whereKey($refuses ?? $takes)->update(['takes_details' => $takesIt]);

        return true;
    }

    /**
     * @param  array<string>  $addresses
     * @param  callable(string): ?int  $read
     */
    private static function first(array $addresses, callable $read): ?int
    {
        foreach ($addresses as $address) {
            $number = $read(trim($address, '<> '));
            if ($number !== null) {
                return $number;
            }
        }

        return null;
    }

    private static function detail(): SignedDetail
    {
        return new SignedDetail('t', 'try');
    }

    private static function secret(): string
    {
        return (string) config('cairnfield.mail.reply_secret');
    }
}
