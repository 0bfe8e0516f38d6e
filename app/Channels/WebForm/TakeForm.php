<?php

declare(strict_types=1);

namespace App\Channels\WebForm;

use App\Channels\Channel;
use App\Channels\ItemKind;
use App\Channels\ItemSubject;
use App\Channels\OutsideItem;
use App\Channels\ReceivedAttachment;
use App\Channels\ReceivedMessage;
use App\Channels\Receives;
use App\Channels\SenderHandle;
use App\Channels\WishedReturn;
use App\Orders\FindOrders;
use App\Returns\ReturnReason;
use App\Sorting\Category;
use Cairnfield\Core\Threading\ConversationNumber;
use Illuminate\Http\UploadedFile;

/**
 * Makes a conversation of a filled form. What looks like a machine's work is
 * taken too, but goes to the junk view: a person may have been quick.
 */
final readonly class TakeForm
{
    private const QUICKEST_SECONDS = 3;

    public function __construct(private Receives $receives, private FindOrders $findOrders) {}

    /**
     * @param  list<UploadedFile>  $files
     * @param  string  $onceKey  of the form: sending it twice does it once
     * @param  int  $openedAt  when it was opened, in seconds since 1970
     * @param  bool  $isTrapFilled  whether the field was filled that people do not see
     */
    public function take(Form $form, FilledForm $filled, array $files, string $onceKey, int $openedAt, bool $isTrapFilled): TakenForm
    {
        $junk = array_values(array_filter([
            $isTrapFilled ? 'a field was filled in that people do not see' : null,
            // A browser fills in what it knows of a person in no time: that alone is no sign of a machine.
            now()->getTimestamp() - $openedAt < self::QUICKEST_SECONDS && preg_match('#https?://|www\.#i', $filled->text) === 1
                ? 'it was filled in within '.self::QUICKEST_SECONDS.' seconds, with a link'
                : null,
        ]));
        $category = $filled->categoryId === null ? null : Category::query()->find($filled->categoryId);
        $outcome = $this->receives->receive($form->account, ReceivedMessage::item(
            Channel::WebForm,
            SenderHandle::email($filled->email, $filled->name),
            new OutsideItem(
                "form-{$onceKey}", ItemKind::Form, false, null,
                orderNumber: $filled->order === '' ? null : mb_substr($filled->order, 0, 60)
            ),
            $category === null
                ? ItemSubject::of($filled->text)
                : $category->customer_name.($filled->order === '' ? '' : ": {$filled->order}"),
            $this->text($filled),
            now()->toDateTimeImmutable(),
            array_map(static fn (UploadedFile $file): ReceivedAttachment => new ReceivedAttachment(
                mb_substr($file->getClientOriginalName(), 0, 255),
                (string) ($file->getMimeType() ?? 'application/octet-stream'),
                (string) $file->getContent(),
            ), $files),
            $filled->email,
            $filled->categoryId,
            $this->marks($filled),
            $junk,
            $filled->own,
            $form->sendsReceipt,
            $filled->returnReasonId === null ? null : new WishedReturn($filled->returnReasonId, $filled->order, $filled->goods),
        ));
        $form->account->heard();

        return new TakenForm(ConversationNumber::show($outcome->conversation), $outcome->hasReceipt);
    }

    private function text(FilledForm $filled): string
    {
        $own = '';
        foreach ($filled->own as $label => $value) {
            $own .= "\n{$label}: {$value}";
        }

        return $filled->text.$this->return($filled).($own === '' ? '' : "\n{$own}").(
            $filled->order === '' || str_contains($filled->text, $filled->order) ? '' : "\n\nOrder: {$filled->order}"
        );
    }

    private function return(FilledForm $filled): string
    {
        $reason = $filled->returnReasonId === null ? null : ReturnReason::query()->find($filled->returnReasonId)?->name;

        return $reason === null ? '' : "\n\nTo come back: {$reason}".($filled->goods === '' ? '' : "\n{$filled->goods}");
    }

    /**
     * The customer is told none of this: a form must not tell strangers which orders there are.
     *
     * @return list<string>
     */
    private function marks(FilledForm $filled): array
    {
        if ($filled->order === '') {
            return [];
        }
        $order = $this->findOrders->for('', null, $filled->order)->orders->first();

        return match (true) {
            $order === null => ["The order number {$filled->order} is not known to the shop."],
            $order->email === null => [
                "Order {$order->number} was sold on {$order->marketplace}, which hides the buyer’s address: it cannot be checked.",
            ],
            mb_strtolower($order->email) === mb_strtolower($filled->email) => [],
            default => ["Order {$order->number} was placed with another address. Make sure who is asking."],
        };
    }
}
