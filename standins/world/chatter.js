// Public posts that speak of the store without naming its account: for the search to find.
const DAY = 86_400_000;

const POSTS = [
    ['@harbourwind', 'Runa Bech', 'Anybody flown the new Merlin from Brindle in real wind yet? The spars look thin to me.', 5],
    ['@liftandlines', 'Lift and Lines', 'Festival on Saturday! Bring spare ferrules, the Brindle stall has none left they say.', 2],
    ['@pelle_o', 'Pelle Oja', 'My kids learnt to fly on a Brindle Dunlin. Ten years old and still going.', 9],
    ['@stormtent', 'Storm Tent', 'Second Kestrel spar split at the ferrule this autumn. Batch problem?', 3],
    ['@anawren', 'Ana', 'New plum tails on order, the old ones are more tape than tail', 20],
    ['@kitemarie', 'Marie Juhl', 'Which line for a first two-line kite? 28 kg or 80?', 1],
];

export function chatter() {
    return POSTS.map(([author, name, text, days], index) => ({
        id: `p${index + 1}`, author, author_name: name, text, in_reply_to: null, thread: `p${index + 1}`, posted_at: new Date(Date.now() - days * DAY).toISOString(), revision: 1, removed: false, likes: [], reposts: [],
    }));
}
