<?php

declare(strict_types=1);

namespace App\Templates;

use App\Conversations\Conversation;
use App\Fields\OwnFields;
use App\Hours\StoreHours;
use App\Store\Store;
use App\Team\Teammate;
use Cairnfield\Core\Templates\FilledText;
use Cairnfield\Core\Templates\LanguageChoice;
use Cairnfield\Core\Templates\TemplateRefused;
use Cairnfield\Core\Templates\TemplateText;
use Cairnfield\Core\Templates\Wording;

/**
 * Fills a template for one conversation: in its language, with what is known of customer, order and parcel.
 */
final readonly class FillTemplate
{
    public function __construct(private StoreHours $hours, private OwnFields $fields) {}

    /**
     * @param  Teammate|null  $agent  who answers; null where it is the application
     * @param  Unattended|null  $unattended  where no person reads it before it leaves, to whom it goes
     */
    public function fill(
        Template $template, Conversation $conversation, ?Teammate $agent, ?Unattended $unattended = null
    ): FilledTemplate {
        $conversation->loadMissing(['customer.handles', 'account', 'category']);
        $usual = Store::current()->language;
        $wanted = $conversation->language;
        $languages = $template->languages->pluck('language')->all();
        [$steps, $problems] = Step::possible($template->steps);
        if ($languages === []) {
            return new FilledTemplate($template, $wanted ?? $usual, true, $wanted, null, '', null, [], $steps, $problems);
        }
        $choice = LanguageChoice::of(array_values($languages), $wanted, $usual);
        $in = $template->languages->firstWhere('language', $choice->language);
        $values = new ConversationValues($conversation, $agent, $choice->language, $this->hours, $this->fields, $unattended);
        $wording = $this->wording($choice->language);
        $text = TemplateText::ofText($in->text ?? '')->fill($values, $wording);
        $html = $in?->html === null ? null : TemplateText::ofHtml($in->html)->fill($values, $wording);
        $subject = $in?->subject === null ? null : TemplateText::ofText($in->subject)->fill($values, $wording);

        return new FilledTemplate(
            $template, $choice->language, $choice->isWanted, $wanted, $subject?->text, $text->text, $html?->text,
            [...$subject->gaps ?? [], ...$text->gaps], $steps, $problems
        );
    }

    /**
     * A text that is no template, or not yet: one that is being written, a rule's note.
     *
     * @throws TemplateRefused
     */
    public function text(string $text, string $language, Conversation $conversation, ?Teammate $agent): FilledText
    {
        $conversation->loadMissing(['customer.handles', 'account', 'category']);

        return TemplateText::ofText($text)->fill(
            new ConversationValues($conversation, $agent, $language, $this->hours, $this->fields),
            $this->wording($language),
        );
    }

    private function wording(string $language): Wording
    {
        return new Wording(
            $language, Store::current()->zone(),
            Store::current()->country
        );
    }
}
