<?php

declare(strict_types=1);

namespace App\Workspace;

use App\Answering\AnswerRoutes;
use App\Answering\Draft;
use App\Answering\PartnerThread;
use App\Answering\ScheduledReply;
use App\Conversations\ChangeMark;
use App\Conversations\Conversation;
use App\Conversations\Journal\JournalSentence;
use App\Fields\About;
use App\Fields\OwnFields;
use App\Promises\StoreHours;
use App\Sorting\Category;
use App\Sorting\Outcome;
use App\Sorting\Tag;
use App\Team\Team;
use App\Team\Teammate;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * What the page of a conversation shows.
 */
final readonly class ConversationPage
{
    private const EARLIER = 8;

    public function __construct(
        private Trail $trail,
        private ChangeMark $mark,
        private StoreHours $hours,
        private JournalSentence $sentence,
        private AnswerRoutes $routes,
        private Panels $panels,
        private PersonsPosts $posts,
        private OwnFields $ownFields,
    ) {}

    /**
     * @param  int  $pictures  the message whose remote pictures are asked for; 0 for none
     * @return array<string, mixed>
     */
    public function content(Conversation $conversation, Teammate $teammate, int $pictures = 0): array
    {
        // Before the trail: a change in between is then shown twice rather than never.
        $mark = $this->mark->ofConversation($conversation);
        $seen = $this->trail->lastSeen($conversation);
        $conversation->load([
            'customer.handles', 'customer.groups', 'customer.notes', 'account', 'owner', 'category', 'outcome',
            'linkedConversation', 'team', 'tags',
        ]);
        $trail = $this->trail->of($conversation);
        $drafts = Draft::query()->where('conversation_id', $conversation->id)->where('teammate_id', $teammate->id)->get()->keyBy('kind');

        return [
            'conversation' => $conversation,
            'standing' => $conversation->standing($this->hours),
            'trail' => $trail,
            'sentence' => $this->sentence,
            'mark' => $mark,
            'seen' => $seen,
            'pictures' => $pictures,
            'teammate' => $teammate,
            'replyDraft' => $drafts->get(Draft::REPLY),
            'hasBegun' => $drafts->contains(static fn (Draft $draft): bool => $draft->text !== '' || $draft->files !== []),
            'noteDraft' => $drafts->get(Draft::NOTE),
            'onceKey' => Str::uuid()->toString(),
            'routes' => $this->routes->of($conversation),
            ...$this->panels->content($conversation, $teammate),
            'isFollowed' => DB::table('follows')
                ->where('conversation_id', $conversation->id)
                ->where('teammate_id', $teammate->id)
                ->exists(),
            'scheduled' => ScheduledReply::query()
                ->whereIn('conversation_id', $conversation->withJoined())
                ->where('state', ScheduledReply::DUE)
                ->with('teammate')
                ->orderBy('send_at')
                ->get(),
            'partnerDraft' => $drafts->get(Draft::PARTNER),
            'partners' => PartnerThread::query()->whereIn('conversation_id', $conversation->withJoined())->orderByDesc('id')->get(),
            'knownPartners' => PartnerThread::query()->select('name', 'address')->distinct()->orderBy('name')->limit(30)->get(),
            'posts' => $this->posts->of($conversation),
            'ownFields' => $this->ownFields->of(About::Conversation, $conversation->id),
            'customerFields' => $this->ownFields->of(About::Customer, $conversation->customer_id),
            'teams' => Team::query()->orderBy('name')->get(),
            'tagNames' => Tag::inUse()->pluck('name'),
            'joined' => $conversation->joined()->with(['account', 'customer.handles'])->get(),
            'teammates' => Teammate::query()->where('may_sign_in', true)->orderBy('name')->get(),
            'categories' => Category::inUse()->get(),
            'outcomes' => Outcome::inUse()->get(),
            'earlier' => $this->earlier($conversation),
            'conversationCount' => $conversation->customer->conversations()->count(),
        ];
    }

    /**
     * @return \Illuminate\Database\Eloquent\Collection<int, Conversation>
     */
    private function earlier(Conversation $conversation): \Illuminate\Database\Eloquent\Collection
    {
        return $conversation->customer->conversations()
            ->whereKeyNot($conversation->id)
            ->where('junk', false)
            ->orderByDesc('last_message_at')
            ->limit(self::EARLIER)
            ->get();
    }
}
