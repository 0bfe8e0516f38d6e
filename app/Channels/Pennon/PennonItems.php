<?php

declare(strict_types=1);

namespace App\Channels\Pennon;

use App\Channels\Channel;
use App\Channels\ItemKind;
use App\Channels\ItemSubject;
use App\Channels\OutsideItem;
use App\Channels\ReceivedMessage;
use App\Channels\SenderHandle;
use App\Channels\Services\EventFields;
use App\Channels\Services\ReadsItems;
use App\Channels\Services\UnreadableEvent;

/**
 * What Pennon tells of: posts that name or answer us, and direct messages.
 */
final readonly class PennonItems implements ReadsItems
{
    public function read(array $event): ReceivedMessage
    {
        $fields = EventFields::of($event);
        $type = $fields->text('type', 80);

        return match ($type) {
            'post.mention',
            'post.reply',
            'post.edited',
            'post.removed' => self::post($fields->object('data')->object('post'), $type === 'post.reply'),
            'direct.received', 'direct.edited', 'direct.removed' => $this->direct($fields->object('data')->object('message')),
            default => throw UnreadableEvent::unknownType($type),
        };
    }

    public static function post(EventFields $post, bool $answersOurs): ReceivedMessage
    {
        $text = $post->text('text');
        $id = $post->id('id');

        return ReceivedMessage::item(
            Channel::Pennon,
            SenderHandle::on(Channel::Pennon, $post->text('author', 191), $post->text('author_name', 1000)),
            new OutsideItem(
                $id,
                ItemKind::Post,
                true,
                $post->optionalId('thread') ?? $id,
                $answersOurs,
                $post->integer('revision', 1),
                $post->boolean('removed'),
                aboutUrl: "https://pennon.example/p/{$id}",
            ),
            ItemSubject::of($text),
            $text,
            $post->instant('posted_at'),
        );
    }

    private function direct(EventFields $message): ReceivedMessage
    {
        $text = $message->text('text');
        $from = $message->text('from', 191);

        return ReceivedMessage::item(
            Channel::Pennon,
            SenderHandle::on(Channel::Pennon, $from, $message->text('from_name', 1000)),
            new OutsideItem(
                $message->id('id'), ItemKind::Direct, false, null, false, $message->integer('revision', 1),
                $message->boolean('removed')
            ),
            ItemSubject::of($text),
            $text,
            $message->instant('sent_at'),
        );
    }
}
