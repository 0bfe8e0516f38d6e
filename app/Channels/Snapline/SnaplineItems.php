<?php

declare(strict_types=1);

namespace App\Channels\Snapline;

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
 * What Snapline tells of: comments under our photos, and direct messages.
 */
final readonly class SnaplineItems implements ReadsItems
{
    public function read(array $event): ?ReceivedMessage
    {
        $fields = EventFields::of($event);
        $type = $fields->text('type', 80);

        return match ($type) {
            'comment-new', 'comment-changed', 'comment-gone' => $this->comment($fields->object('data')),
            'talk-message' => $this->message($fields->object('data')->object('message')),
            default => throw UnreadableEvent::unknownType($type),
        };
    }

    private function comment(EventFields $data): ReceivedMessage
    {
        $photo = $data->object('photo');
        $comment = $data->object('comment');
        $text = $comment->text('text');

        return ReceivedMessage::item(
            Channel::Snapline,
            $this->sender($comment->object('by')),
            new OutsideItem(
                $comment->id('id'),
                ItemKind::Comment,
                true,
                $photo->id('id'),
                $data->boolean('under_ours'),
                $comment->integer('version', 1),
                $comment->boolean('gone'),
                aboutTitle: $photo->text('caption', 300),
                aboutUrl: 'https://snapline.example/f/'.$photo->id('id'),
            ),
            ItemSubject::of($text),
            $text,
            $comment->instant('at'),
        );
    }

    private function message(EventFields $message): ?ReceivedMessage
    {
        if ($message->boolean('ours')) {
            return null;
        }
        $text = $message->text('text');

        return ReceivedMessage::item(
            Channel::Snapline,
            $this->sender($message->object('person')),
            new OutsideItem(
                $message->id('id'), ItemKind::Direct, false, null, false, $message->integer('version', 1), $message->boolean('gone')
            ),
            ItemSubject::of($text),
            $text,
            $message->instant('at'),
        );
    }

    private function sender(EventFields $person): SenderHandle
    {
        return SenderHandle::on(Channel::Snapline, $person->text('user', 191), $person->text('shown', 1000));
    }
}
