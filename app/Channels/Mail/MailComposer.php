<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use App\Channels\Account;
use App\Conversations\Attachment;
use App\Conversations\Message;
use App\Support\FileStore;
use Cairnfield\Core\Text\FoldedText;
use Cairnfield\Core\Threading\ReplyToken;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\Email;

/**
 * Puts an outgoing message into mail: plain text and HTML, files, the fields that keep the thread
 * together, and a Reply-To that brings the answer back to its conversation. The same message always
 * gives the same ids, so that a second try is recognised as the same.
 */
final readonly class MailComposer
{
    public function __construct(private FileStore $files) {}

    public function compose(Message $message, Account $account): Email
    {
        $answered = $this->answered($message);
        $email = (new Email)
            ->from(new Address($account->address, $message->from_name !== '' ? $message->from_name : $account->sender_name))
            ->to(...$message->to)
            ->cc(...$message->cc)
            ->replyTo(new Address($this->replyAddress($message, $account), $account->sender_name))
            ->subject($message->subject)
            ->date($message->sent_at ?? $message->received_at)
            ->text($this->text($message, $account, $answered))
            ->html($this->html($message, $account, $answered));
        $headers = $email->getHeaders();
        $headers->addIdHeader('Message-ID', $message->message_id);
        if ($message->in_reply_to !== null) {
            $headers->addTextHeader('In-Reply-To', "<{$message->in_reply_to}>");
        }
        if ($message->referenceIds() !== []) {
            $headers->addTextHeader(
                'References', implode(' ', array_map(static fn (string $id): string => "<{$id}>", $message->referenceIds()))
            );
        }
        if ($message->automatic) {
            // Nothing automatic may answer it in turn (RFC 3834, 3.1.7).
            $headers->addTextHeader('Auto-Submitted', 'auto-generated');
        }
        foreach ($message->attachments as $attachment) {
            $email->attach($this->files->read($attachment->file), $attachment->name, $this->mediaType($attachment));
        }

        return $email;
    }

    private function replyAddress(Message $message, Account $account): string
    {
        return ReplyToken::addTo($account->address, $message->conversation_id, (string) config('cairnfield.mail.reply_secret'));
    }

    private function answered(Message $message): ?Message
    {
        return $message->in_reply_to === null ? null : Message::query()
            ->where('conversation_id', $message->conversation_id)
            ->where('partner_thread_id', $message->partner_thread_id)
            ->where('message_id_key', Message::keyOfId($message->in_reply_to))
            ->first();
    }

    private function text(Message $message, Account $account, ?Message $answered): string
    {
        $text = $message->text;
        $signature = $this->signature($message, $account);
        if ($signature !== '') {
            $text .= "\n\n-- \n{$signature}";
        }
        if ($answered !== null) {
            $quoted = '> '.str_replace("\n", "\n> ", $this->quotable($answered));
            $text .= "\n\n".$this->introduction($answered)."\n".$quoted;
        }

        return $text."\n";
    }

    private function html(Message $message, Account $account, ?Message $answered): string
    {
        $html = $message->html ?? $this->paragraphs($message->text);
        $signature = $this->signature($message, $account);
        if ($signature !== '') {
            $html .= '<p>-- <br>'.nl2br(e($signature)).'</p>';
        }
        if ($answered !== null) {
            $html .= '<p>'.e($this->introduction($answered)).'</p><blockquote type="cite">'.$this->paragraphs($this->quotable($answered)).'</blockquote>';
        }

        return "<!DOCTYPE html><html><head><meta charset=\"utf-8\"></head><body>{$html}</body></html>";
    }

    /**
     * Their own where it is sent in somebody's own name and they have one, else the account's.
     */
    private function signature(Message $message, Account $account): string
    {
        $author = $message->teammate;
        $isInOwnName = $author !== null && $author->name === $message->from_name && trim($author->signature) !== '';

        return trim($isInOwnName ? $author->signature : (string) $account->signature);
    }

    private function paragraphs(string $text): string
    {
        $paragraphs = preg_split('/\n{2,}/', trim($text)) ?: [];

        return implode('', array_map(static fn (string $paragraph): string => '<p>'.nl2br(e($paragraph)).'</p>', $paragraphs));
    }

    private function quotable(Message $answered): string
    {
        return trim(FoldedText::of($answered->text)->written);
    }

    private function introduction(Message $answered): string
    {
        $name = $answered->from_name !== '' ? $answered->from_name : $answered->from_address;
        $at = $answered->received_at->setTimezone((string) config('cairnfield.store.calendar.timezone'));

        return "On {$at->format('j F Y \a\t H:i')}, {$name} wrote:";
    }

    private function mediaType(Attachment $attachment): string
    {
        return preg_match('#^[\w.+-]+/[\w.+-]+$#D', $attachment->media_type) === 1 ? $attachment->media_type : 'application/octet-stream';
    }
}
