<?php

declare(strict_types=1);

// The templates of the demo store: name => [folder, categories, steps, texts by language].
$hello = ['en' => 'Hello {{ customer.first_name | "there" }},', 'da' => 'Hej {{ customer.first_name | "med dig" }},', 'de' => 'Hallo {{ customer.first_name | "und guten Tag" }},', 'lv' => 'Labdien, {{ customer.first_name | "cienījamais klient" }}!'];
$end = ['en' => "Best wind,\n{{ agent.first_name | store.name }}", 'da' => "God vind,\n{{ agent.first_name | store.name }}", 'de' => "Guten Wind,\n{{ agent.first_name | store.name }}", 'lv' => "Labu vēju!\n{{ agent.first_name | store.name }}"];
$letter = static fn (array $texts): array => array_combine(array_keys($texts), array_map(static fn (string $language, string $text): string => "{$hello[$language]}\n\n{$text}\n\n{$end[$language]}", array_keys($texts), $texts));

return [
    'Where is my parcel' => ['Delivery', ['Late parcel'], ['then=waiting'], $letter([
        'en' => "{{ if parcel.number }}\nyour parcel {{ parcel.number }} left us on {{ parcel.sent_on | order.placed_on }} with {{ parcel.carrier }}.\n{{ if order.delivered }}\nThe carrier says it was delivered on {{ parcel.delivered_on | \"the last scan\" }}. Could you look with your neighbours and in the usual places? If it is not there, write back and we go after it.\n{{ else }}\nIt was last seen at {{ parcel.place | \"the depot\" }}: {{ parcel.state }}. It mostly takes one or two working days from there.\n{{ end }}\n{{ else }}\nyour order {{ order.number }} has not left our workshop yet. It goes out on the next working day, and you get its parcel number by mail.\n{{ end }}",
        'da' => "{{ if parcel.number }}\ndin pakke {{ parcel.number }} blev sendt {{ parcel.sent_on | order.placed_on }} med {{ parcel.carrier }}.\n{{ if order.delivered }}\nFragtfirmaet siger, at den blev leveret {{ parcel.delivered_on | \"ved sidste scanning\" }}. Vil du se efter hos naboerne og de sædvanlige steder? Er den der ikke, så skriv igen, og vi går efter den.\n{{ else }}\nDen blev sidst set her: {{ parcel.place | \"depotet\" }}. Derfra tager det som regel en eller to hverdage.\n{{ end }}\n{{ else }}\ndin ordre {{ order.number }} er ikke sendt endnu. Den går af sted næste hverdag, og du får pakkenummeret på mail.\n{{ end }}",
        'de' => "{{ if parcel.number }}\nIhr Paket {{ parcel.number }} ging am {{ parcel.sent_on | order.placed_on }} mit {{ parcel.carrier }} auf die Reise.\n{{ if order.delivered }}\nLaut Paketdienst wurde es am {{ parcel.delivered_on | \"Tag der letzten Meldung\" }} zugestellt. Sehen Sie bitte bei den Nachbarn und an den üblichen Stellen nach? Ist es dort nicht, schreiben Sie uns, und wir gehen der Sache nach.\n{{ else }}\nZuletzt gesehen wurde es hier: {{ parcel.place | \"im Depot\" }}. Von dort dauert es meist ein bis zwei Werktage.\n{{ end }}\n{{ else }}\nIhre Bestellung {{ order.number }} hat unsere Werkstatt noch nicht verlassen. Sie geht am nächsten Werktag hinaus.\n{{ end }}",
    ])],
    'Parcel stuck, we ask the carrier' => ['Delivery', ['Late parcel', 'Lost parcel'], ['hold=16|Wren Parcel looks for the parcel', 'add_tag=carrier asked'], $letter([
        'en' => 'nobody has scanned your parcel {{ parcel.number }} for {{ parcel.days_unseen | "several" }} days, and that is too long. We have asked {{ parcel.carrier | "the carrier" }} to look for it and come back to you within two working days, whatever they answer.',
        'da' => 'din pakke {{ parcel.number }} er ikke scannet i {{ parcel.days_unseen | "flere" }} dage, og det er for længe. Vi har bedt {{ parcel.carrier | "fragtfirmaet" }} om at lede efter den og vender tilbage inden to hverdage.',
    ])],
    'Parcel lost, sent again' => ['Delivery', ['Lost parcel'], ['then=resolved:Sent again', 'set_priority=high'], $letter([
        'en' => "your parcel {{ parcel.number | \"\" }} is lost, and we are sorry for it. The same goes out again today, at no cost to you:\n\n{{ order.items }}\n\nShould the first one turn up after all, simply refuse it or write to us.",
        'da' => "din pakke er desværre gået tabt. Vi sender det samme igen i dag, uden at det koster dig noget:\n\n{{ order.items }}",
    ])],
    'In time for the festival' => ['Delivery', ['Late parcel'], ['add_tag=festival', 'set_priority=high'], $letter([
        'en' => 'we know that the festival is on Saturday. {{ if order.sent }}Your order {{ order.number }} is on its way, and we watch it every morning until it is with you.{{ else }}Your order {{ order.number }} goes out today with the fast service, at our cost.{{ end }} If it is not there by Friday noon, write to us and we find another way.',
    ])],
    'Address changed before sending' => ['Delivery', ['Change order'], ['then=resolved:Order changed'], $letter([
        'en' => "{{ if order.sent }}\nyour order {{ order.number }} has left already, so that the address can no longer be changed by us. With the parcel number {{ parcel.number | \"in your mail\" }} you can ask {{ parcel.carrier | \"the carrier\" }} to leave it elsewhere.\n{{ else }}\nthe address of your order {{ order.number }} is changed. It goes out on the next working day.\n{{ end }}",
    ])],
    'Order cancelled' => ['Delivery', ['Change order'], ['then=resolved:Order changed'], $letter([
        'en' => 'your order {{ order.number }} is cancelled, and {{ order.total }} goes back the way you paid. Banks take three to five working days for it.',
        'da' => 'din ordre {{ order.number }} er annulleret, og {{ order.total }} går tilbage samme vej, som du betalte. Banken bruger tre til fem hverdage.',
    ])],
    'Left with a neighbour' => ['Delivery', ['Late parcel'], [], $letter([
        'en' => 'the carrier left your parcel {{ parcel.number | "" }} at {{ parcel.place | "a neighbour’s" }}. Could you ask there, and tell us whether you found it?',
    ])],
    'Split ferrule, batch K' => ['Workshop', ['Faulty item'], ['add_tag=batch K', 'checklist=Damaged on arrival', 'set_priority=high'], $letter([
        'en' => 'thank you for telling us. Spars of batch K have ferrules that split, and we are sorry that one of them came to you. Could you look for the letter inside the keel? If it is a K, a new spar of another batch goes out today; you need not send anything back.',
        'de' => 'danke für die Nachricht. Bei den Stäben der Charge K reißen die Muffen, und es tut uns leid, dass Sie einen davon bekommen haben. Steht im Kiel ein K? Dann geht heute noch ein neuer Stab an Sie hinaus; zurückschicken müssen Sie nichts.',
    ])],
    'Please send a photo' => ['Workshop', ['Faulty item', 'Wrong item'], ['then=waiting', 'checklist=Damaged on arrival'], $letter([
        'en' => 'that should not have happened. Could you send us a photo of the damage, and one of the label on the bag? With both we can tell within the day what to send you.',
        'da' => 'det skulle ikke være sket. Kan du sende os et billede af skaden og et af mærkaten på posen? Så kan vi sige samme dag, hvad vi sender dig.',
        'lv' => 'tā nevajadzēja notikt. Vai varat atsūtīt bojājuma fotogrāfiju un vēl vienu ar maisiņa etiķeti? Tad jau šodien pateiksim, ko Jums sūtīsim.',
    ])],
    'Spare part goes out free' => ['Workshop', ['Faulty item', 'Missing part'], ['then=resolved:Sent again'], $letter([
        'en' => 'the part goes out to you today by letter, at no cost. It should be with you within three working days. How it is fitted is on the sheet that comes with it.',
    ])],
    'The strap is in the side pocket' => ['Workshop', ['Missing part'], ['then=waiting'], $letter([
        'en' => 'could you look once more into the bag? The strap lies flat in the side pocket, under the repair tape, and is easily missed. If it is not there, one goes out to you today.',
    ])],
    'Which spar fits' => ['Workshop', ['Spare parts', 'Before buying'], [], $letter([
        'en' => 'for a Kestrel 3 it is the 6 mm spar of 82 cm, for a Merlin the 5 mm one of 75 cm. Measure the ferrule if you are not sure: its number is the inner width in tenths of a millimetre.',
        'de' => 'für den Kestrel 3 ist es der 6-mm-Stab mit 82 cm, für den Merlin der 5-mm-Stab mit 75 cm. Die Zahl auf der Muffe ist die Innenweite in Zehntelmillimetern.',
    ])],
    'Which line strength' => ['Workshop', ['Before buying'], [], $letter([
        'en' => 'up to four on the wind scale 45 kg lines are enough for a Dunlin; from five on, or for a Petrel, take 90 kg. Two lines of a set are cut together, so they stretch alike.',
    ])],
    'Wrong item came' => ['Workshop', ['Wrong item'], ['then=waiting', 'set_priority=high'], $letter([
        'en' => "we put the wrong thing into your parcel, and are sorry. The right one goes out today:\n\n{{ order.items }}\n\nYou get a label for the other one by mail; any shop that takes parcels takes it.",
    ])],
    'How to send something back' => ['Returns', ['Return'], ['then=waiting', 'add_tag=return asked'], $letter([
        'en' => 'of course. Put it back in its bag, unflown or not, with the number {{ order.number | conversation.number }} on a slip of paper, and send it within 30 days of its arrival to {{ store.name }}. Once it is here, Femi looks at it within two working days, and you hear from us the same day.',
        'da' => 'selvfølgelig. Læg den tilbage i posen med nummeret {{ order.number | conversation.number }} på en seddel, og send den inden 30 dage. Når den er her, ser Femi på den inden to hverdage.',
        'de' => 'natürlich. Legen Sie es mit der Nummer {{ order.number | conversation.number }} auf einem Zettel in die Tasche zurück und schicken Sie es innerhalb von 30 Tagen an uns. Femi prüft es innerhalb von zwei Werktagen.',
    ])],
    'Return label' => ['Returns', ['Return', 'Exchange'], ['then=waiting', 'add_tag=label sent'], $letter([
        'en' => 'here is your label. Print it, or show the code at the counter; it is good for 14 days.',
    ])],
    'Exchange for another size' => ['Returns', ['Exchange'], ['then=waiting'], $letter([
        'en' => 'we exchange it gladly. Tell us which one you would like instead; as soon as the carrier has scanned the old one, the new one goes out.',
    ])],
    'Your return has arrived' => ['Returns', ['Return'], [], $letter([
        'en' => 'your return has arrived and lies on Femi’s bench. You hear from us within two working days.',
    ])],
    'Too late to return' => ['Returns', ['Return'], [], $letter([
        'en' => 'your order {{ order.number }} is of {{ order.placed_on }}, and things can be sent back within 30 days. What we can offer is a repair at cost, or the spare part that is missing. Would one of them help?',
    ])],
    'Refund is on its way' => ['Money', ['Refund'], ['then=resolved:Refunded'], $letter([
        'en' => '{{ refund.amount | "your money" }} for order {{ order.number | "" }} is on its way back, the way you paid. Banks take three to five working days to show it.',
        'da' => '{{ refund.amount | "pengene" }} for ordre {{ order.number | "" }} er på vej tilbage, samme vej som du betalte. Banken bruger tre til fem hverdage.',
    ])],
    'Refund not seen yet' => ['Money', ['Refund'], ['then=waiting'], $letter([
        'en' => 'we gave back {{ refund.amount | "the amount" }} of order {{ order.number }}. Cards show it under the day of the purchase, not under today, so that it is easily missed. If you cannot find it, send us the last four digits of the card, never more than these.',
    ])],
    'Gift card covered a part' => ['Money', ['Gift card'], [], $letter([
        'en' => 'part of your order {{ order.number }} was paid with a gift card. What is given back goes to the card first, up to what came from it, and the rest to your bank.',
    ])],
    'Invoice attached' => ['Money', ['Invoice'], ['then=resolved:Invoice sent'], $letter([
        'en' => 'here is the invoice for order {{ order.number }} of {{ order.placed_on }}, over {{ order.total }}. Should it name a company, send us its name and tax number and we write it anew.',
        'da' => 'her er fakturaen for ordre {{ order.number }} af {{ order.placed_on }} på {{ order.total }}.',
    ])],
    'No card numbers, please' => ['Money', ['Refund', 'Not for us'], [], $letter([
        'en' => 'your message had a card number in it. We have blacked it out and never need it: please do not send it by mail or post it anywhere. If others can read it, ask your bank for a new card.',
    ])],
    'Wholesale terms' => ['Trade', ['Wholesale'], ['set_priority=high', 'add_tag=wholesale'], $letter([
        'en' => 'thank you for asking. From ten pieces of one model we sell at trade prices, from fifty with your own tail colours. The list is attached; prices are without tax. Which models are you thinking of?',
        'de' => 'danke für Ihre Anfrage. Ab zehn Stück eines Modells verkaufen wir zu Händlerpreisen, ab fünfzig mit eigenen Schwanzfarben. Die Liste liegt bei; die Preise sind ohne Steuer.',
    ])],
    'Out of stock, back soon' => ['Before buying', ['Before buying'], [], $letter([
        'en' => 'it is sold out at the moment. The next ones leave the workshop in about two weeks. Shall we put one aside for you?',
    ])],
    'Public: sorry, write to us' => ['In public', ['Late parcel', 'Faulty item'], [], [
        'en' => 'We are sorry about this, {{ customer.first_name | "and thank you for telling us" }}. Could you send us your order number by direct message? Then we look at once.',
    ]],
    'Public: thank you' => ['In public', ['Not for us'], ['then=resolved:Information given'], [
        'en' => 'What a picture! Thank you for showing it, and good wind.',
        'da' => 'Sikke et billede! Tak fordi du viser det, og god vind.',
    ]],
    'Opening hours' => ['Small pieces', [], [], [
        'en' => 'We answer Monday to Friday from 09:00 to 17:00 and on Saturday from 10:00 to 14:00, {{ if store.open }}so we are here right now.{{ else }}and are back on {{ store.opens_at }}.{{ end }}',
        'da' => 'Vi svarer mandag til fredag kl. 09-17 og lørdag kl. 10-14, {{ if store.open }}så vi er her lige nu.{{ else }}og er tilbage {{ store.opens_at }}.{{ end }}',
    ]],
    'Not ours' => ['Small pieces', ['Not for us'], ['then=resolved:Information given'], $letter([
        'en' => 'this seems to be meant for somebody else: we make and sell kites, and know nothing of what you write about. If it is about one of our kites after all, tell us the order number.',
    ])],
];
