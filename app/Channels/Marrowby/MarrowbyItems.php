<?php

declare(strict_types=1);

namespace App\Channels\Marrowby;

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
 * What Marrowby tells of: questions on listings, order messages, return requests and ratings. Each
 * names until when it wants an answer.
 */
final readonly class MarrowbyItems implements ReadsItems
{
    public function read(array $event): ReceivedMessage
    {
        $fields = EventFields::of($event);
        $type = $fields->text('type', 80);

        return match ($type) {
            'question.asked' => $this->question($fields->object('data')->object('question')),
            'order.message' => $this->orderMessage($fields->object('data')->object('message')),
            'return.requested' => $this->returnRequest($fields->object('data')->object('request')),
            'rating.left' => $this->rating($fields->object('data')->object('rating')),
            default => throw UnreadableEvent::unknownType($type),
        };
    }

    private function question(EventFields $question): ReceivedMessage
    {
        $id = $question->id('id');
        $listing = $question->object('listing');
        $text = $question->text('text');

        return ReceivedMessage::item(
            Channel::Marrowby,
            $this->buyer($question),
            new OutsideItem(
                $id, ItemKind::Question, true, "question:{$id}", true, aboutTitle: $listing->text('title', 300),
                aboutUrl: $listing->text('url', 500), answerBy: $question->optionalInstant('answer_by')
            ),
            ItemSubject::of($text),
            $text,
            $question->instant('asked_at'),
        );
    }

    private function orderMessage(EventFields $message): ReceivedMessage
    {
        $order = $message->id('order_number');
        $text = $message->text('text');

        return ReceivedMessage::item(
            Channel::Marrowby,
            $this->buyer($message),
            new OutsideItem(
                $message->id('id'), ItemKind::OrderMessage, false, "order:{$order}", true, orderNumber: $order,
                answerBy: $message->optionalInstant('answer_by')
            ),
            ItemSubject::of($text),
            $text,
            $message->instant('sent_at'),
        );
    }

    private function returnRequest(EventFields $request): ReceivedMessage
    {
        $id = $request->id('id');
        $order = $request->id('order_number');
        $reason = $request->text('reason', 100);

        return ReceivedMessage::item(
            Channel::Marrowby,
            $this->buyer($request),
            new OutsideItem(
                $id, ItemKind::ReturnRequest, false, "return:{$id}", true, orderNumber: $order,
                answerBy: $request->optionalInstant('answer_by')
            ),
            "Return of {$order}: {$reason}",
            trim("Reason: {$reason}\n\n".($request->optionalText('text') ?? '')),
            $request->instant('asked_at'),
        );
    }

    private function rating(EventFields $rating): ReceivedMessage
    {
        $id = $rating->id('id');
        $stars = $rating->integer('stars', 1, 5);
        $listing = $rating->has('listing') ? $rating->object('listing') : null;
        $isOfProduct = $rating->text('of', 20) === 'product';
        $text = $rating->text('text');
        $about = $isOfProduct && $listing !== null ? $listing->text('title', 300) : 'us as a seller';

        return ReceivedMessage::item(
            Channel::Marrowby,
            $this->buyer($rating),
            new OutsideItem(
                $id,
                ItemKind::Rating,
                true,
                "rating:{$id}",
                true,
                aboutTitle: $about,
                aboutUrl: $listing?->optionalText('url', 500),
                orderNumber: $rating->optionalId('order_number'),
                stars: $stars,
            ),
            ($stars === 1 ? '1 star' : "{$stars} stars").' for '.$about,
            $text,
            $rating->instant('rated_at'),
        );
    }

    private function buyer(EventFields $item): SenderHandle
    {
        $buyer = $item->object('buyer');

        return SenderHandle::on(Channel::Marrowby, $buyer->text('id', 191), $buyer->text('name', 1000));
    }
}
