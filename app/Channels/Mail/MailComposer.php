<?php

declare(strict_types=1);

namespace App\Channels\Mail;

use App\Channels\OutgoingFile;
use App\Channels\OutgoingMessage;
use App\Channels\QuotedMessage;
use App\Store\Store;
use App\Support\FileStore;
use Cairnfield\Core\Text\FoldedText;
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

    public function compose(OutgoingMessage $message): Email
    {
        $account = $message->account;
        $email = (new Email)
            ->from(new Address($account->address, $message->fromName !== '' ? $message->fromName : $account->sender_name))
            ->to(...$message->to)
            ->cc(...$message->cc)
            ->replyTo(new Address(AddressDetails::replyTo($account, $message->conversation), $account->sender_name))
            ->subject($message->subject)
            ->date($message->at)
            ->text($this->text($message))
            ->html($this->html($message));
        $headers = $email->getHeaders();
        $headers->addIdHeader('Message-ID', $message->messageId);
        if ($message->inReplyTo !== null) {
            $headers->addTextHeader('In-Reply-To', "<{$message->inReplyTo}>");
        }
        if ($message->references !== []) {
            $headers->addTextHeader(
                'References', implode(' ', array_map(static fn (string $id): string => "<{$id}>", $message->references))
            );
        }
        if ($message->automatic) {
            // Nothing automatic may answer it in turn (RFC 3834, 3.1.7).
            $headers->addTextHeader('Auto-Submitted', 'auto-generated');
        }
        foreach ($message->files as $file) {
            $email->attach($this->files->read($file->file), $file->name, $this->mediaType($file));
        }

        return $email;
    }

    private function text(OutgoingMessage $message): string
    {
        $text = $message->text;
        if ($message->signature !== '') {
            $text .= "\n\n-- \n{$message->signature}";
        }
        if ($message->answered !== null) {
            $quoted = '> '.str_replace("\n", "\n> ", trim(FoldedText::of($message->answered->text)->written));
            $text .= "\n\n".$this->introduction($message->answered)."\n".$quoted;
        }

        return $text."\n";
    }

    private function html(OutgoingMessage $message): string
    {
        $html = $message->html ?? $this->paragraphs($message->text);
        if ($message->signature !== '') {
            $html .= '<p>-- <br>'.nl2br(e($message->signature)).'</p>';
        }
        if ($message->answered !== null) {
            $html .= '<p>'.e($this->introduction($message->answered)).'</p><blockquote type="cite">'.$this->paragraphs(
                trim(FoldedText::of($message->answered->text)->written)
            ).'</blockquote>';
        }

        return "<!DOCTYPE html><html><head><meta charset=\"utf-8\"></head><body>{$html}</body></html>";
    }

    private function paragraphs(string $text): string
    {
        $paragraphs = preg_split('/\n{2,}/', trim($text)) ?: [];

        return implode('', array_map(static fn (string $paragraph): string => '<p>'.nl2br(e($paragraph)).'</p>', $paragraphs));
    }

    private function introduction(QuotedMessage $answered): string
    {
        $at = $answered->at->setTimezone(Store::current()->timeZone);

        return "On {$at->format('j F Y \a\t H:i')}, {$answered->name} wrote:";
    }

    private function mediaType(OutgoingFile $file): string
    {
        return preg_match('#^[\w.+-]+/[\w.+-]+$#D', $file->mediaType) === 1 ? $file->mediaType : 'application/octet-stream';
    }
}
