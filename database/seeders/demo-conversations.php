<?php

declare(strict_types=1);

// The demo conversations of Brindle Kite Works that are under way, and some that were. Everybody and everything in them is made up.

['in' => $in, 'again' => $again, 'out' => $out, 'note' => $note, 'take' => $take, 'give' => $give, 'hold' => $hold, 'resolve' => $resolve, 'close' => $close, 'of' => $of, 'mail' => $mail, 'by' => $by, 'pennon' => $pennon, 'direct' => $direct, 'comment' => $comment, 'marrowby' => $marrowby, 'quaymart' => $quaymart, 'call' => $call, 'form' => $form] = require __DIR__.'/demo-steps.php';

return [
    // The same parcel by three ways: Ana's mail below, then in public, then on the marketplace.
    $pennon('@anawren', 'Ana Wrenfield', null, [
        $in('worked:64', '@brindlekites third day of asking: where is 71-4480217? The festival is on Saturday and your carrier has lost its tongue.'),
    ]),
    $marrowby('order-message', 'anaw88', 'Ana Wrenfield', ['order_number' => '71-4480217'], null, [
        $in('worked:21', 'I have written by email and on Pennon, nobody answers. Please cancel the order and give me the money back, or tell me where the parcel is.'),
    ]),

    // In public.
    $pennon('@stormtent', 'Storm Tent', 'Faulty item', [
        $in('worked:140', '@brindlekites second Kestrel spar that splits at the ferrule, and the shop just says "wait". You are selling kites that break in ten knots. Do better.'),
        $note('worked:120', 'ilse', 'Sounds like batch K as well. I would move this to a direct message before we talk about letters.'),
    ]),
    $pennon('@kitemarie', 'Marie Juhl', 'Before buying', [
        $in('1d 12:20', '@brindlekites 28 kg or 80 kg line for a first two-line kite, in a windy place?'),
        $out('1d 13:02', 'ilse', 'For the Merlin the 28 kg set, also where it blows. 80 kg is for the Petrel: on a small kite it only makes it slow.', 'Information given'),
    ]),
    $pennon('@liftandlines', 'Lift and Lines', 'Not for us', [
        $in('2d 09:41', 'Ten kites up over the harbour this morning, nine of them by @brindlekites'),
        $resolve('2d 09:50', 'mads', 'Information given'),
    ]),
    $direct('@pelle_o', 'Pelle Oja', 'Spare parts', [
        $in('worked:95', 'Hi! Do you still have the old ferrules for the Dunlin, the ones with the collar? Mine is from 2016.'),
    ]),
    $direct('@runabech', 'Runa Bech', 'Late parcel', [
        $in('3d 10:15', 'Can you look where my B-20412 is? I only get "delivered" and a photo of somebody else’s door.'),
        $out('3d 10:40', 'ruta', 'That one is not yours by name, so I cannot say much about it. Which address did you order with?'),
    ]),
    $comment('karindahl', 'Karin Dahl', 'f2', 'Before buying', [
        $in('worked:131', 'Beautiful! When is the red one back in the shop? The page says none.'),
    ]),
    $comment('windwillow', 'Willow', 'f1', null, [
        $in('1d 18:22', 'What a sky'),
    ]),
    $comment('juno.flies', 'Juno Falk', 'f3', 'Spare parts', [
        $in('4d 15:40', 'How do you dry them without the sail going stiff?'),
        $out('3d 09:31', 'ruta', 'Hang them by the keel, out of the sun, for a night. Never near a stove.', 'Information given'),
    ]),

    // Marketplaces.
    $marrowby('question', 'oskarh', 'Oskar H.', ['listing' => 'DUN-STD'], 'Before buying', [
        $in('worked:150', 'Can a six-year-old fly this one alone? And does the line come with it?'),
    ]),
    $marrowby('return-request', 'buyer20429', 'Leif Friis', ['order_number' => '71-4430429', 'reason' => 'does not fit'], 'Return', [
        $in('worked:88', 'It is larger than I thought and does not go into our car. Unused, in the bag.'),
    ]),
    $marrowby('rating', 'beatrizsa', 'Beatriz S.', ['of' => 'product', 'listing' => 'DUN-STD', 'stars' => 2], 'Missing part', [
        $in('worked:58', 'Flies well, but the wrist strap was missing. Two stars until it turns up.'),
    ]),
    $marrowby('rating', 'henrik_w', 'Henrik W.', ['of' => 'seller', 'stars' => 5], null, [
        $in('6d 20:10', 'Ordered on Monday, flew on Wednesday.'),
        $out('5d 09:20', 'mads', 'Thank you, Henrik. Good winds.', 'Information given'),
    ]),
    $quaymart('order', 'QM20114873', 'c-5512', 'P. Nowak', [], 'Faulty item', [
        $in('2d 16:12', 'The ferrule of the Kestrel has a crack all along. It has been flown twice.'),
        $out('1d 10:05', 'ilse', 'I am sorry. Which letter is printed inside the keel? With that I can send the right one today.'),
        $again('worked:44', 'It is a K.'),
    ]),
    $quaymart('listing', 'PET-22', 'c-7719', 'Tamsin', [], 'Before buying', [
        $in('worked:170', 'Is a harness included, or only the handles?'),
    ]),
    $quaymart('review', 'MER-SLT', 'c-6120', 'Ove', ['score' => 4], null, [
        $in('8d 11:00', 'A good kite. The bag could be longer.'),
        $resolve('7d 09:40', 'ilse', 'Information given'),
    ]),

    // Telephone and web form.
    $call('Birte Holm', 'ilse', 'Change order', [
        $in('worked:27', 'Wants the Dunlin gift-wrapped after all, calls again at four. Order is not sent yet.'),
    ]),
    $call('+45 20 00 01 19', 'mads', 'Invoice', [
        $in('2d 11:15', 'Lars asks for last year’s invoices for the auditor, all on one page if it can be done.'),
        $note('2d 11:18', 'mads', 'He is in a hurry for these, not for the new one.'),
    ]),
    $form('Odile Fabre', 'odile.fabre@fabre.example', 'B-20377', 'Return', [
        $in('worked:16', 'Has my Kestrel arrived at the bench? The post says it was handed over yesterday.'),
    ]),
    $form('Enno Graf', 'enno@graf.example', 'B-20405', 'Late parcel', [
        $in('worked:73', 'Where is this parcel? It should be here since Monday.'),
    ]),

    $by('form', 'fill', ['name' => 'David Okafor', 'email' => 'david@okafor.example', 'order' => 'B-20333', 'own' => ['It broke or tore']], 'Faulty item', [
        $in('worked:52', "The red Kestrel came down on its nose yesterday, on grass, and the leading edge is open over a hand’s width beside the keel. It was its fourth time out. Can it be mended, or is that a new sail?\n\nDavid"),
    ]),

    // A card number in a mail: taken out before anything is stored.
    $mail('ida.bruun@bruun.example', 'Ida Bruun', 'Please charge the rest', 'Gift card', [
        $in('worked:37', "Hello,\n\nthe gift card did not cover everything. Please take the rest from my card 4111 1111 1111 1111, valid 09/28. I hope that is all right by mail.\n\nIda Bruun"),
    ]),

    // Our turn, the promise missed or nearly.
    $mail('tomas@hruby.example', 'Tomas Hrubý', 'Two spars snapped on first flight', 'Faulty item', [
        $in('4d 16:40', "First time out with the Merlin and both lower spars went at the ferrule, in maybe 12 knots. They were already split when I unpacked it, I think. Photos attached. The festival is on Saturday and I would rather have the kite than the money.\n\nOrder B-20417\n\nTomas", ['pictures' => ['spar-left.jpg', 'spar-right.jpg']]),
        $out('3d 09:22', 'ilse', 'Sorry about the spars, Tomas. Can you tell me the batch letter printed inside the keel?'),
        $note('3d 09:25', 'ilse', 'Third split ferrule from batch K this month. @Mads, stop shipping it?'),
        $again('worked:312', "It says K. Thank you for looking into it so fast.\n\nTomas"),
    ]),
    $mail('ana@wrenfield.example', 'Ana Wrenfield', 'still no kite, festival is on saturday', 'Late parcel', [
        $in('worked:262', "Hello,\n\nmy Marrowby order 71-4480217 was sent nine days ago and the parcel page has said the same thing for five of them. The festival is this Saturday. I paid for the fast delivery. If it is lost, please say so, then I can still borrow one.\n\nAna Wrenfield"),
    ]),
    $mail('odile.fabre@fabre.example', 'Odile Fabre', 'Return of the Kestrel 3', 'Return', [
        $in('5d 11:05', "Bonjour,\n\nthe Kestrel 3 is too strong for my daughter, she was nearly carried off. May I return it? It has been flown once and is clean.\n\nOdile Fabre, B-20377"),
        $out('5d 11:48', 'ilse', "Dear Odile,\n\nof course. Please pack it with the bag and the reel and send it to the returns bench; the label is on its way in a separate mail. Once Femi has looked at it, the money goes back to your card."),
        $again('worked:199', 'I posted it yesterday, here is the number of the receipt: WP 7731 204 118. How long does the bench usually take?'),
    ]),
    $mail('jun.watabe@watabe.example', 'Jun Watabe', 'Wrong colour tails', 'Wrong item', [
        $in('worked:188', "Hello, I ordered the tails in teal (B-20431) and got orange. The bag says teal. No hurry, but I would like the ones I paid for.\n\nJun"),
        $take('worked:180', 'ilse'),
    ]),
    $mail('m.osterlund@osterlund.example', 'Maja Österlund', 'Is the 28 kg line included with the Merlin?', 'Before buying', [
        $in('worked:222', "Hi!\n\nThe page of the Merlin shows a line set in the picture, but the list below does not name it. Is the 28 kg line in the box or do I add it?\n\nThanks, Maja"),
    ]),

    // Our turn, today.
    $mail('astrid.holm@holm.example', 'Astrid Holm', 'How I was spoken to on the telephone', 'About one of us', [
        $in('worked:131', "Good morning,\n\nI rang on Friday about B-20362 and was told that I \"could have read the leaflet\". The question was fair, and I was sworn at under somebody's breath. I do not want money back. I want a lead to know.\n\nAstrid Holm"),
    ]),
    $mail('priya@raman.example', 'Priya Raman', 'Can I change the delivery address?', 'Change order', [
        $in('worked:118', "I ordered this morning (B-20440) and just saw that it goes to my old flat. Can it go to 14 Orchard Row instead? Same town.\n\nPriya Raman"),
    ]),
    $mail('lars.uddin@uddin.example', 'Lars Uddin', 'Invoice with company number', 'Invoice', [
        $in('6d 10:12', "Could you send me the invoice of B-20119 again, with our company number DK 00 11 22 33 on it?\n\nLars Uddin\nUddin Drakar"),
        $out('6d 10:40', 'mads', 'Here it is, Lars, with the number added.'),
        $again('worked:80', 'Thank you, but the delivery line is missing from this one and our bookkeeper sends it back. Could you send me the invoice again with everything on it?'),
        $give('worked:70', 'ilse', 'mads'),
    ]),
    $mail('hanne@vik.example', 'Hanne Vik', 'gift card not accepted', 'Gift card', [
        $in('2d 18:20', "The gift card from my sister (it says 50 euro) is not taken at the till, it only says \"cannot be used\". My basket is 75.\n\nHanne"),
        $out('1d 09:15', 'ilse', "Hello Hanne,\n\nthe card was typed with an O in place of a zero in our system. I have put that right. Please try once more: the card pays its part and your own card the rest."),
        $again('worked:34', 'thanks, that worked for half of it, but now the order says "paid in two" and I got two confirmations. Is that one order or two??'),
    ]),
    $mail('beatriz.sa@sa.example', 'Beatriz Sá', 'Strap missing from the Dunlin', 'Missing part', [
        $in('worked:61', "Hello,\n\nthe wrist strap that should come with the Dunlin was not in the parcel. I have already given two stars for it, to be honest, but will change that if it turns up.\n\nBeatriz"),
        $note('worked:52', 'femi', 'The strap is in the small pocket INSIDE the bag since August. Nobody finds it.'),
    ]),
    $mail('gregor.lind@lind.example', 'Gregor Lind', 'Spare ferrule 6 mm', 'Spare parts', [
        $in('worked:44', "Do you sell the 6 mm ferrules one by one? I need two and the shop only has bags of ten.\n\nGreetings, Gregor Lind"),
    ]),
    $mail('orders@kitebarn.example', 'Kite Barn, Nell Archer', 'Forty Kestrels before the 12th?', 'Wholesale', [
        $in('worked:26', "Morning,\n\ncould you do 40 Kestrel 3 (20 slate, 20 red) to reach us before the 12th? Same terms as in spring. If 40 is too many, 25 now and the rest in January would do.\n\nNell Archer\nKite Barn"),
    ], 'wholesale'),
    $mail('sofia.marin@marin.example', 'Sofía Marín', 'Petrel: which wind?', 'Before buying', [
        $in('worked:15', "Hola,\n\nI weigh 58 kg and want a first power kite for the beach at Tarifa, usually 15 to 25 knots. Is the Petrel 2.5 too much?\n\nSofía", ['html' => '<p>Hola,</p><p>I weigh 58 kg and want a first power kite for the beach at Tarifa, usually <b>15 to 25 knots</b>. Is the Petrel 2.5 too much?</p><p>Sofía</p><p><img src="https://pictures.marin.example/sofia.png" alt="Sofía on the beach" width="80" height="80"></p>']),
    ]),
    $mail('ewan@macrae.example', 'Ewan MacRae', 'Reel came apart', 'Faulty item', [
        $in('worked:9', "The two halves of the reel (B-20402, bought in October) came apart in my hand and the line is one big knot. I can glue it but should not have to.\n\nEwan"),
    ]),
    $mail('yuki@hoshino.example', 'Yuki Hoshino', '返品について', 'Return', [
        $in('worked:21', "こんにちは。先週届いたマーリンを返品したいのですが、手続きを教えてください。注文番号は B-20436 です。\n\n星野ゆき"),
    ]),
    $mail('karin.dahl@dahl.example', 'Karin Dahl', 'Present for a nine-year-old', 'Before buying', [
        $in('worked:72', "Dear kite people,\n\nwhat would you give a nine-year-old who has never flown one? It should survive a younger brother. Wrapped, if you do that.\n\nKarin Dahl"),
    ]),
    $mail('piet@verhoeven.example', 'Piet Verhoeven', 'Parcel says delivered, is not', 'Lost parcel', [
        $in('worked:96', "Wren Parcel says B-20425 was handed over on Thursday at 11:02. I was at home on Thursday at 11:02. Nobody came. My neighbours have nothing either.\n\nP. Verhoeven"),
        $take('worked:90', 'ruta'),
        $note('worked:88', 'ruta', 'The scan is from the depot in the next town. Asking Wren for the place it was scanned at.'),
    ]),
    $mail('leonie@baum.example', 'Leonie Baum', 'Merlin wieder lieferbar?', 'Before buying', [
        $in('worked:58', "Guten Tag,\n\nwann ist der Merlin in Schiefer wieder lieferbar? Im Laden steht seit zwei Wochen „bald“.\n\nMit freundlichen Grüßen\nLeonie Baum"),
        $give('worked:50', 'ilse', 'ruta'),
    ]),
    $mail('anda@ozola.example', 'Anda Ozola', 'Rēķins par pasūtījumu B-20411', 'Invoice', [
        $in('worked:132', "Labdien!\n\nVai varat, lūdzu, atsūtīt rēķinu par pasūtījumu B-20411? To prasa mūsu skola.\n\nAr cieņu\nAnda Ozola"),
        $give('worked:125', 'ilse', 'ruta'),
    ]),
    $mail('no-reply@marrowby.example', 'Marrowby', 'Changes to our return rule for sellers', 'Not for us', [
        $in('worked:140', "From the first of next month buyers may return unused goods within 45 days in place of 30. Nothing needs to be done for orders placed before that day.\n\nThis message was sent automatically.", ['headers' => ['Auto-Submitted' => 'auto-generated']]),
    ]),

    // The customer's turn.
    $mail('nils@ekberg.example', 'Nils Ekberg', 'Line set too short', 'Wrong item', [
        $in('3d 13:10', "I ordered 30 m lines and these are 25, measured twice along the fence. B-20399.\n\nNils Ekberg"),
        $take('3d 13:50', 'ilse'),
        $out('3d 14:02', 'ilse', "Hello Nils,\n\nthat is our mistake then. Is there a paper band around the lines, and what number is printed on it? With that I can tell whether the whole box is wrong."),
    ]),
    $mail('claire.dubois@dubois.example', 'Claire Dubois', 'Échange de taille', 'Exchange', [
        $in('4d 09:30', "Bonjour, je voudrais échanger le Petrel 2.5 contre le 1.8. Il n'a pas été utilisé.\n\nClaire Dubois"),
        $out('4d 10:44', 'ilse', "Bonjour Claire,\n\navec plaisir. The 1.8 is in stock in red and in slate. Which would you like? The difference of 40 euro goes back to your card."),
    ]),
    $mail('rory@tighe.example', 'Rory Tighe', 'Discount for a school club?', 'Before buying', [
        $in('6d 15:15', "We are a school club with twelve children and a budget of 300. Is there a group price on the Dunlin?\n\nRory Tighe"),
        $out('5d 09:20', 'mads', "Hello Rory,\n\nfor twelve Dunlins we can do 10 % and free delivery, which makes 270. Send me the school's name for the invoice and I reserve them for a week."),
    ]),
    $mail('ulla@brandt.example', 'Ulla Brandt', 'Which tape for ripstop?', 'Spare parts', [
        $in('2d 12:22', "There is a tear of 4 cm near the edge of my old Kestrel. Which of your tapes holds on ripstop?\n\nUlla"),
        $out('2d 13:05', 'ilse', "Hello Ulla,\n\nthe clear one, on both sides, corners cut round. For a tear right at the edge a photo would help: if the hem has gone too, it should be sewn."),
    ]),
    $mail('dov@kessler.example', 'Dov Kessler', 'Refund still not here', 'Refund', [
        $in('5d 08:55', "You wrote on the 9th that the money is on its way. My bank says it is not.\n\nDov Kessler, B-20351"),
        $out('5d 09:31', 'ilse', "Hello Dov,\n\nthe payment service sent it on the 10th. Banks take up to five working days from there. Could you look on Friday once more and tell me either way?"),
    ]),
    $mail('bench@flytsport.example', 'Flyt Sport, Henrik', 'Damaged carton in last delivery', 'Wholesale', [
        $in('4d 14:00', "One of the six cartons arrived crushed. Three Merlins have bent spars, the rest is fine. How do we do this?\n\nHenrik"),
        $out('4d 14:18', 'mads', "Hello Henrik,\n\nI send six spars today and take it up with the carrier. Please keep the carton until Friday, they may want to see it. Could you send two photos of it?"),
    ], 'wholesale'),
    $mail('ines@prado.example', 'Inés Prado', 'Bag zip broken', 'Faulty item', [
        $in('7d 17:30', "The zip of the Kestrel bag broke on day one. The kite is lovely.\n\nInés"),
        $out('6d 09:12', 'ilse', 'Hello Inés, a new bag is easy. Is your address still Calle Olmo 7?'),
    ]),
    $mail('tove@sand.example', 'Tove Sand', 'Kite club day, lend us a tent?', 'Not for us', [
        $in('5d 16:05', "Hi, we run the club day in May. Would you put up a stand again? We can lend you a tent.\n\nTove"),
        $out('4d 11:00', 'mads', 'Hi Tove, gladly. Which weekend in May is it? Corin decides by Friday.'),
    ]),

    // Somebody else's turn.
    $mail('wanda@kosik.example', 'Wanda Kosik', 'Parcel went back to you?', 'Late parcel', [
        $in('3d 10:20', "The parcel page says my parcel B-20394 is \"returning to sender\". I was at home. Why?\n\nWanda Kosik"),
        $out('3d 10:58', 'ilse', "Hello Wanda,\n\nI cannot see why either and have asked Wren Parcel. I write as soon as they answer, tomorrow at the latest."),
        $hold('3d 11:00', 'ilse', 'Wren Parcel is asked why it turned back', 1),
    ]),
    $mail('alec@stroud.example', 'Alec Stroud', 'Returned Petrel: what is wrong with it', 'Return', [
        $in('6d 09:00', "I sent the Petrel back because one bridle is longer than the other. It should be with you by now.\n\nAlec"),
        $out('6d 09:40', 'ilse', 'Thank you, Alec. It arrived this morning; Femi measures it today or tomorrow.'),
        $hold('6d 09:41', 'ilse', 'Returns bench measures the bridles', 2),
        $note('5d 15:10', 'femi', 'Left bridle is 31 mm longer. Ours to mend. Needs a new leader, none in stock until next week.'),
    ], 'returns'),
    $mail('meret@frei.example', 'Meret Frei', 'Kestrel in the old green', 'Spare parts', [
        $in('8d 13:00', "Is there any panel of the old green left? Mine has a hole the size of a coin.\n\nMeret Frei"),
        $out('8d 13:30', 'ruta', 'Hello Meret, the workshop may have a remnant. I ask and write again.'),
        $hold('8d 13:31', 'ruta', 'The workshop looks for old green ripstop', 3),
    ]),
    $mail('sam@oduya.example', 'Sam Oduya', 'Refund over 80 euro', 'Refund', [
        $in('2d 10:00', "The kite arrived two days after my holiday. I would like to send it back and have the delivery refunded as well, since it was late.\n\nSam, B-20405"),
        $note('2d 10:25', 'ilse', 'Parcel was late by 4 days, I would give the delivery back in full. 131.50 in all, needs Mads.'),
        $hold('2d 10:26', 'ilse', 'Mads approves the refund', 1),
    ]),

    // Resolved.
    $mail('tomas@hruby.example', 'Tomas Hrubý', 'Which line for the Merlin?', 'Before buying', [
        $in('41d 12:00', "Hello, 20 or 28 kg for the Merlin at the coast?\n\nTomas Hrubý"),
        $out('41d 12:25', 'ilse', 'Hello Tomas, 28 at the coast. The 20 is fine inland.', 'Information given'),
        $again('41d 13:02', 'Great, ordered. Thanks!'),
        $resolve('41d 13:05', 'ilse', 'Information given'),
        $close('34d 09:00', 'mads'),
    ]),
    $mail('tomas@hruby.example', 'Tomas Hrubý', 'Change of address', 'Change order', [
        $in('28d 09:40', "I have moved to Lipová 12. Could you change it for future orders?\n\nTomas"),
        $out('28d 10:05', 'ilse', 'Done, Tomas. Your next parcel goes to Lipová 12.', 'Order changed'),
    ]),
    $mail('ana@wrenfield.example', 'Ana Wrenfield', 'Do you still have the tail in plum?', 'Before buying', [
        $in('22d 17:20', "Is the 6 m tail in plum coming back?\n\nAna"),
        $out('21d 09:10', 'ruta', 'Hello Ana, it is back since this morning.', 'Information given'),
    ]),
    $mail('jonas@ritter.example', 'Jonas Ritter', 'Spar split at the ferrule', 'Faulty item', [
        $in('17d 14:14', "Bought in September, flown five times, one spar split at the ferrule. It has a K on it.\n\nJonas Ritter"),
        $out('17d 14:40', 'ilse', 'Sorry, Jonas. Two new spars go out today, from another batch.', 'Sent again'),
        $note('17d 14:41', 'ilse', 'Batch K again.'),
    ]),
    $mail('petra@nowak.example', 'Petra Nowak', 'Ferrule cracked', 'Faulty item', [
        $in('13d 08:45', "One of the ferrules of my new Merlin is cracked lengthwise. Photo attached.\n\nPetra", ['pictures' => ['ferrule.jpg']]),
        $out('13d 09:30', 'ilse', 'Thank you for the photo, Petra. A new set is on its way.', 'Sent again'),
        $again('12d 18:00', 'Arrived already, perfect. Thank you!'),
        $resolve('11d 09:05', 'ilse', 'Sent again'),
    ]),
    $mail('felix@adler.example', 'Felix Adler', 'Rechnung fehlt', 'Invoice', [
        $in('10d 10:00', "Guten Tag, mir fehlt die Rechnung zu B-20366.\n\nFelix Adler"),
        $out('10d 10:30', 'ruta', 'Guten Tag Herr Adler, die Rechnung geht heute noch einmal an Sie heraus.', 'Invoice sent'),
    ]),
    $mail('felix@adler.example', 'Felix Adler', 'Automatische Antwort: Abwesend', 'Not for us', [
        $in('10d 10:31', 'Ich bin bis Montag nicht im Büro. Ihre Nachricht wird nicht weitergeleitet.', ['headers' => ['Auto-Submitted' => 'auto-replied']]),
        $resolve('10d 11:00', 'ruta', 'Junk'),
    ]),
    $mail('milan@horvat.example', 'Milan Horvat', 'Where do I send the return?', 'Return', [
        $in('9d 12:12', "I printed the label but there is no address on it.\n\nMilan"),
        $out('9d 12:40', 'ilse', 'Hello Milan, the address is inside the code; any Wren Parcel counter takes it as it is.', 'Information given'),
    ], 'returns'),
    $mail('greta@lund.example', 'Greta Lund', 'Money back for cancelled order', 'Refund', [
        $in('15d 16:00', "I cancelled B-20340 before it was sent. When do I get the 64 euro?\n\nGreta Lund"),
        $out('15d 16:20', 'mads', 'Hello Greta, it went back to your card a minute ago: 64.00 euro.', 'Refunded'),
    ]),
    $mail('orders@kitebarn.example', 'Kite Barn, Nell Archer', 'Spring order, last carton', 'Wholesale', [
        $in('33d 11:00', "The last carton of the spring order came today, all complete. Could you send the closing invoice?\n\nNell"),
        $of('33d 11:10', 'mads', 'Kite Barn', 'buys for the shop'),
        $out('33d 11:20', 'mads', 'Attached to the account and sent to your bookkeeping, Nell. Thank you for the season.', 'Invoice sent'),
        $close('26d 09:00', 'mads'),
    ], 'wholesale'),
    $mail('prizes@lucky-draw.example', 'Lucky Draw', 'You have been selected', 'Not for us', [
        $in('6d 03:12', 'Congratulations! Your address care@brindle.example has been selected. Reply with your bank details to claim.', ['headers' => ['Precedence' => 'bulk']]),
        $resolve('6d 09:02', 'ilse', 'Junk'),
    ]),
    $mail('david@okafor.example', 'David Okafor', 'Two parcels, one order', 'Late parcel', [
        $in('19d 10:05', "Only half of B-20333 came. Is the rest on its way?\n\nDavid"),
        $out('19d 10:22', 'ruta', 'Hello David, the reel travels on its own and is due tomorrow.', 'Information given'),
        $again('18d 13:00', 'It came. All good.'),
        $resolve('18d 13:20', 'ruta', 'Information given'),
    ]),
    $mail('elin@berg.example', 'Elin Berg', 'Swap slate for red', 'Exchange', [
        $in('24d 09:15', "The slate one looks black in our light. Could I have it in red?\n\nElin Berg"),
        $out('24d 09:50', 'ilse', 'Of course. Send the slate one back with the label in the box; the red one leaves today.', 'Exchanged'),
    ]),
    $mail('mattia@conti.example', 'Mattia Conti', 'Customs on a kite to Norway', 'Before buying', [
        $in('27d 14:33', "If I order to Oslo, who pays the customs?\n\nMattia Conti"),
        $out('27d 15:01', 'mads', 'Hello Mattia, you do, at the door; we charge no tax on parcels to Norway, so it comes to about the same.', 'Information given'),
    ]),
    $mail('birte@holm.example', 'Birte Holm', 'Gift wrapping forgotten', 'Missing part', [
        $in('12d 10:10', "I paid for gift wrapping and the kite came in brown paper. The birthday is over now, so never mind, but the 4 euro would be nice.\n\nBirte Holm"),
        $out('12d 10:35', 'ilse', 'You are right, Birte, and I am sorry. The 4 euro are on their way back.', 'Refunded'),
    ]),
    $mail('arne@falk.example', 'Arne Falk', 'Shop page shows the wrong stock', 'Not for us', [
        $in('14d 19:45', "Your page says 3 left of the Petrel, the basket says none. Just so you know.\n\nArne"),
        $out('13d 09:01', 'ilse', 'Thank you, Arne. Put right.', 'Information given'),
    ]),
];
