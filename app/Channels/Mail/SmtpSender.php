<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use App\Channels\Account;
use App\Channels\DeliveryFailed;
use App\Channels\MessageSender;
use App\Channels\OutgoingMessage;
use App\Support\HostRefused;
use App\Support\OutsideHosts;
use Symfony\Component\Mailer\Envelope;
use Symfony\Component\Mailer\Exception\TransportExceptionInterface;
use Symfony\Component\Mailer\Exception\UnexpectedResponseException;
use Symfony\Component\Mailer\Transport\Smtp\EsmtpTransport;
use Symfony\Component\Mailer\Transport\Smtp\Stream\SocketStream;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\Email;

/**
 * Hands mail to the account's SMTP server.
 */
final readonly class SmtpSender implements MessageSender
{
    public function __construct(private MailComposer $composer, private OutsideHosts $hosts) {}

    public function deliver(OutgoingMessage $message): ?string
    {
        $sender = AddressDetails::returnPath($message->account, $message->message);
        try {
            $this->handOver($message, $sender);
        } catch (DeliveryFailed $failure) {
            if ($sender === $message->account->address || ! $this->isAboutSender($failure, $sender)) {
                throw $failure;
            }
            // It lets us send from our very own address only. Nothing was taken over.
            $this->handOver($message, $message->account->address);
            $message->account->forceFill(['takes_details' => false])->save();
        }

        return null;
    }

    /**
     * @param  string  $sender  the envelope's, where reports go
     *
     * @throws DeliveryFailed
     */
    private function handOver(OutgoingMessage $message, string $sender): void
    {
        $server = $this->server($message->account);
        $transport = $this->transport($message->account);
        try {
            $envelope = new Envelope(
                new Address($sender),
                array_map(static fn (string $recipient): Address => new Address($recipient), $message->recipients),
            );
            $transport->send($this->composer->compose($message), $envelope);
        } catch (UnexpectedResponseException $refusal) {
            throw $this->refused($server, $refusal);
        } catch (TransportExceptionInterface $fault) {
            throw DeliveryFailed::forNow("The mail server {$server} could not be reached or broke off: {$fault->getMessage()}", $fault);
        } catch (\Symfony\Component\Mime\Exception\RfcComplianceException $address) {
            throw DeliveryFailed::forGood(
                'The address '.implode(', ', $message->recipients).' is not one that mail can be sent to.', $address
            );
        } finally {
            $transport->stop();
        }
    }

    /**
     * Whether it is the sender that was refused, and not who it goes to: some servers say so only when they are told the recipient.
     */
    private function isAboutSender(DeliveryFailed $failure, string $sender): bool
    {
        $refusal = $failure->getPrevious();
        if (! $failure->isFinal || ! $refusal instanceof UnexpectedResponseException) {
            return false;
        }
        preg_match_all('/^> (MAIL FROM|RCPT TO|DATA)\b/mi', $refusal->getDebug(), $said);

        return strtoupper(end($said[1]) ?: '') === 'MAIL FROM'
            || preg_match('/\bsender\b/i', $refusal->getMessage()) === 1
            || str_contains(strtolower($refusal->getMessage()), strtolower($sender));
    }

    /**
     * Sends a mail of the application's own, not said to a customer.
     *
     * @throws DeliveryFailed
     */
    public function sendOwn(Account $account, Email $email): void
    {
        $transport = $this->transport($account);
        try {
            $transport->send($email);
        } catch (UnexpectedResponseException $refusal) {
            throw $this->refused($this->server($account), $refusal);
        } catch (TransportExceptionInterface $fault) {
            throw DeliveryFailed::forNow(
                "The mail server {$this->server($account)} could not be reached or broke off: {$fault->getMessage()}", $fault
            );
        } finally {
            $transport->stop();
        }
    }

    /**
     * Signs in and out again, to see whether the settings are right.
     *
     * @throws DeliveryFailed
     */
    public function check(Account $account): void
    {
        $transport = $this->transport($account);
        try {
            $transport->start();
        } catch (TransportExceptionInterface $fault) {
            throw DeliveryFailed::forNow("The sending server {$this->server($account)} did not let us in: {$fault->getMessage()}", $fault);
        } finally {
            $transport->stop();
        }
    }

    private function refused(string $server, UnexpectedResponseException $refusal): DeliveryFailed
    {
        $code = (int) $refusal->getCode();
        $why = "The mail server {$server} answered {$code}: {$refusal->getMessage()}";

        // 5xx is final (RFC 5321, 4.2.1); everything else may pass.
        return $code >= 500 && $code < 600 ? DeliveryFailed::forGood($why, $refusal) : DeliveryFailed::forNow($why, $refusal);
    }

    private function server(Account $account): string
    {
        return ($account->settings['smtp_host'] ?? '').':'.($account->settings['smtp_port'] ?? '');
    }

    /**
     * @throws DeliveryFailed when it leads inside, or nowhere
     */
    private function transport(Account $account): EsmtpTransport
    {
        try {
            $this->hosts->addressesOf((string) ($account->settings['smtp_host'] ?? ''));
        } catch (HostRefused $refused) {
            throw DeliveryFailed::forNow("The mail server is not asked: {$refused->getMessage()}", $refused);
        }
        $security = $account->settings['smtp_security'] ?? 'tls';
        $stream = (new SocketStream)->setTimeout((int) config('cairnfield.mail.answer_timeout'));
        $transport = new EsmtpTransport(
            (string) ($account->settings['smtp_host'] ?? ''),
            (int) ($account->settings['smtp_port'] ?? 587),
            $security === 'tls',
            stream: $stream,
        );
        $transport->setAutoTls($security !== 'none');
        if ($security === 'starttls') {
            $transport->setRequireTls(true);
        }
        if (($account->settings['smtp_user'] ?? '') !== '') {
            $transport->setUsername((string) $account->settings['smtp_user']);
            $transport->setPassword($account->secrets['smtp_password'] ?? '');
        }

        return $transport;
    }
}
