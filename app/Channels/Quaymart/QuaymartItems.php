<?php

declare(strict_types=1);

namespace App\Channels\Quaymart;

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
 * What Quaymart tells of: entries in threads about a listing, an order, a return or a review.
 */
final readonly class QuaymartItems implements ReadsItems
{
    private const KINDS = [
        'listing' => ItemKind::Question,
        'order' => ItemKind::OrderMessage,
        'return' => ItemKind::ReturnRequest,
        'review' => ItemKind::Rating,
    ];

    public function read(array $event): ?ReceivedMessage
    {
        $fields = EventFields::of($event);
        $type = $fields->text('type', 80);
        if ($type !== 'ENTRY') {
            throw UnreadableEvent::unknownType($type);
        }
        $thread = $fields->object('data')->object('thread');
        $entry = $fields->object('data')->object('entry');
        if ($entry->text('by', 20) === 'seller') {
            return null;
        }
        $about = $thread->text('about', 20);
        $kind = self::KINDS[$about] ?? throw UnreadableEvent::unknownType("{$type} about {$about}");
        $text = $entry->text('text');
        $reference = $thread->id('ref');
        $customer = $thread->object('customer');
        $stars = $kind === ItemKind::Rating ? $thread->integer('score', 1, 5) : null;
        $title = $thread->optionalText('title', 300);

        return ReceivedMessage::item(
            Channel::Quaymart,
            SenderHandle::on(Channel::Quaymart, $customer->text('code', 191), $customer->text('name', 1000)),
            new OutsideItem(
                $entry->id('id'),
                $kind,
                $kind === ItemKind::Question || $kind === ItemKind::Rating,
                $thread->id('id'),
                true,
                aboutTitle: $title,
                orderNumber: $about === 'order' || $about === 'return' ? $reference : null,
                stars: $stars,
                answerBy: $kind === ItemKind::Rating ? null : $entry->optionalInstant('due'),
            ),
            $stars === null ? ItemSubject::of($text) : ($stars === 1 ? '1 star' : "{$stars} stars").' for '.($title ?? $reference),
            $text,
            $entry->instant('when'),
        );
    }
}
