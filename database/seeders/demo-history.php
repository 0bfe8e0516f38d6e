<?php

declare(strict_types=1);

// Two months of conversations of Brindle Kite Works that are over, and a few in which it is the customer's turn: what
// templates are suggested from. Everybody and everything in them is made up.

['in' => $in, 'again' => $again, 'out' => $out, 'with' => $with, 'note' => $note, 'give' => $give, 'of' => $of, 'resolve' => $resolve, 'mail' => $mail, 'buyer' => $buyer, 'pennon' => $pennon, 'direct' => $direct, 'comment' => $comment, 'marrowby' => $marrowby, 'quaymart' => $quaymart, 'call' => $call, 'formOf' => $formOf] = require __DIR__.'/demo-steps.php';

$told = 'Information given';
$sent = 'Sent again';

return [
    // Where is it.
    $buyer('B-20244', 'Delivered where?', 'Late parcel', [
        $in('53d 10:05', "Hi, Wren Parcel says my Merlin (B-20244) was delivered yesterday, and there is nothing at the door or in the box.\n\nSven Dekker"),
        $with('53d 10:31', 'ilse', 'Where is my parcel'),
        $again('53d 17:40', 'Found it, it stood in the bicycle shed. Sorry for the alarm!'),
        $resolve('52d 09:04', 'ilse', $told),
    ]),
    $buyer('B-20252', 'Hvor er min pakke?', 'Late parcel', [
        $in('51d 12:12', "Hej,\n\nsporingen siger leveret, men jeg har ikke fået nogen pakke. Ordre B-20252.\n\nVenlig hilsen\nCarla Zeman"),
        $with('51d 12:40', 'mads', 'Where is my parcel'),
        $again('50d 08:15', 'Min nabo havde den. Tak for hjælpen!'),
        $resolve('50d 09:10', 'mads', $told),
    ]),
    $buyer('B-20260', 'Paket nicht angekommen', 'Late parcel', [
        $in('49d 09:20', "Guten Tag,\n\nlaut Paketdienst wurde die Bestellung B-20260 gestern zugestellt. Hier ist nichts, auch nicht bei den Nachbarn.\n\nGitte Aas"),
        $with('49d 10:02', 'ruta', 'Where is my parcel'),
        $again('48d 16:44', 'Das Paket lag im Hausflur hinter der Tür. Vielen Dank für die schnelle Antwort.'),
        $resolve('47d 09:12', 'ruta', $told),
    ]),
    $buyer('B-20283', 'Tracking stands still', 'Late parcel', [
        $in('41d 08:50', "My reel (B-20283) should have come on Tuesday. The tracking page shows a depot and then delivered, which it was not.\n\nYara Weber"),
        $with('41d 09:25', 'ilse', 'Where is my parcel', null, ['Could you look with your neighbours' => 'The driver scanned it at 17 past two. Could you look with your neighbours']),
        $again('40d 18:30', 'It was with the neighbour on the second floor, who was away for two days.'),
        $resolve('39d 09:05', 'ilse', $told),
    ]),
    $buyer('B-20306', 'No parcel, no card in the letterbox', 'Late parcel', [
        $in('34d 11:11', "Tracking says delivered, and I was at home all day. The parcel is a present for Sunday. B-20306\n\nMina Voss"),
        $with('34d 11:38', 'ruta', 'Where is my parcel'),
        $again('34d 15:02', 'The neighbours have nothing. Please go after it.'),
        $with('34d 15:20', 'ruta', 'Parcel lost, sent again', null, ['is lost, and we are sorry for it' => 'has gone to somebody else, and we are sorry for it']),
        $again('31d 12:00', 'The second one is here, in time for Sunday. You are wonderful.'),
        $resolve('31d 12:20', 'ruta', $sent),
    ]),
    $buyer('B-20316', 'Où est mon colis ?', 'Late parcel', [
        $in('31d 14:05', "Bonjour,\n\nle suivi indique que le colis a été livré, mais je ne l'ai pas reçu. Commande B-20316.\n\nFinn Engel"),
        $with('31d 14:30', 'ilse', 'Where is my parcel'),
        $again('30d 09:00', 'Merci, le gardien l’avait mis de côté.'),
        $resolve('30d 09:15', 'ilse', $told),
    ]),
    $buyer('B-20343', 'Parcel at the wrong house', 'Late parcel', [
        $in('23d 10:22', "The photo of the delivery shows a green door. Mine is white. Order B-20343, a Dunlin and ferrules.\n\nWillem Weber"),
        $with('23d 10:40', 'ilse', 'Left with a neighbour'),
        $again('22d 19:10', 'The green door is number 14, and they kept it for me. Thanks.'),
        $resolve('21d 09:03', 'ilse', $told),
    ]),
    $buyer('B-20354', 'Tracking says delivered', 'Late parcel', [
        $in('19d 13:00', "Where is my parcel? The tracking of B-20354 says delivered since this morning.\n\nOtto Aas"),
        $with('19d 13:18', 'mads', 'Where is my parcel'),
        $again('19d 18:02', 'In the shed, of course. Thank you!'),
        $resolve('18d 09:00', 'mads', $told),
    ]),
    $buyer('B-20373', 'Deux colis ou un seul ?', 'Late parcel', [
        $in('14d 09:45', "Bonjour, j'ai reçu le Merlin mais pas les lignes. Est-ce un deuxième colis ? B-20373\n\nGitte Costa"),
        $out('14d 10:10', 'ilse', "Bonjour Gitte,\n\nil n'y a qu'un colis : les lignes sont roulées dans le fond du sac, sous la notice.\n\nBon vent,\nIlse", $told),
    ]),
    $buyer('B-20392', 'Festival on Saturday', 'Late parcel', [
        $in('10d 08:40', "Will my parcel be here before the festival? The tracking is slow to say anything. B-20392\n\nRosa Nagy"),
        $with('10d 09:05', 'ilse', 'In time for the festival'),
        $again('9d 17:20', 'It came today. See you on the beach!'),
        $resolve('8d 09:10', 'ilse', $told),
    ]),
    $formOf('B-20359', 'Late parcel', [
        $in('18d 16:20', 'The spar was to be here yesterday. Tracking: delivered. My letterbox: empty.'),
        $with('17d 09:08', 'ilse', 'Where is my parcel'),
        $again('17d 20:15', 'It was rolled into the newspaper. Thank you.'),
        $resolve('16d 09:20', 'ilse', $told),
    ]),
    $formOf('B-20319', 'Lost parcel', [
        $in('30d 10:10', 'Delivered on Thursday, says the tracking. I have asked all neighbours and the shop at the corner. The tails are gone.'),
        $with('30d 10:50', 'ruta', 'Parcel lost, sent again'),
    ]),
    $buyer('B-20277', 'The box was empty', 'Lost parcel', [
        $in('43d 15:15', "The parcel of B-20277 came taped shut with brown tape, and empty. Somebody has taken the line sets out.\n\nLeif Rossi"),
        $with('43d 15:50', 'mads', 'Parcel lost, sent again', null, ['is lost, and we are sorry for it' => 'was opened on its way, and we are sorry for it']),
        $note('43d 15:52', 'mads', 'Third one from the same depot. I have written to Wren.'),
    ]),
    $buyer('B-20326', 'Still in the depot?', 'Lost parcel', [
        $in('27d 09:30', "Dear team, tracking says delivered to the depot of the town, and the depot says it has never seen it. Kestrel, B-20326.\n\nZita Friis"),
        $with('27d 10:15', 'ilse', 'Parcel lost, sent again'),
        $again('24d 13:40', 'The second kite arrived today. What a service.'),
        $resolve('24d 14:00', 'ilse', $sent),
    ]),

    // Change it.
    $buyer('B-20296', 'Please send it to my office', 'Change order', [
        $in('40d 09:10', "Can the reel (B-20296) go to my office in Havnegade instead? I am never at home when the parcel comes.\n\nFinn Toft"),
        $with('40d 09:32', 'ilse', 'Address changed before sending', $told),
    ]),
    $buyer('B-20322', 'Wrong house number', 'Change order', [
        $in('32d 16:05', "I typed number 12 in place of 21. Can you change the address of B-20322?\n\nDario Gallo"),
        $with('32d 16:20', 'ruta', 'Address changed before sending', $told),
        $again('31d 10:00', 'The carrier changed it, all good.'),
        $resolve('31d 10:12', 'ruta', $told),
    ]),
    $buyer('B-20376', 'Ændring af adresse', 'Change order', [
        $in('16d 10:40', "Hej, kan I ændre adressen på B-20376 til min mors? Hun bor Bakkevej 3.\n\nBo Moreau"),
        $with('16d 11:05', 'mads', 'Address changed before sending', $told),
    ]),
    $call('Elsa Gallo', 'ilse', 'Change order', [
        $in('30d 11:30', 'Has ordered two Petrels and wants one. It has left already; she sends the other back unopened.'),
        $resolve('30d 11:35', 'ilse', 'Order changed'),
    ]),
    $formOf('B-20378', 'Change order', [
        $in('17d 12:15', 'Can the tails go in the same parcel as my next order? I forgot the bag.'),
        $out('17d 12:50', 'ruta', "Hello Gitte,\n\nthe tails were packed this morning. If you order the bag today I take its delivery off again.\n\nBest wind,\nRuta", $told),
    ]),

    // What broke.
    $buyer('B-20238', 'Ferrule split on the second flight', 'Faulty item', [
        $in('50d 10:30', "The ferrule of my new Merlin split along its whole length, in a light wind. B-20238\n\nVera Olsen"),
        $with('50d 10:52', 'ilse', 'Split ferrule, batch K'),
        $again('49d 08:12', 'There is a K inside the keel, yes.'),
        $with('49d 09:05', 'ilse', 'Spare part goes out free'),
    ]),
    $buyer('B-20230', 'Split spar', 'Faulty item', [
        $in('55d 09:45', "One spar of the Merlin has split where the ferrule sits. I have only put it together once.\n\nUgo Voss, B-20230"),
        $with('55d 10:10', 'ruta', 'Please send a photo'),
        $again('54d 19:20', 'Photo attached. The label says MER-SLT.', ['pictures' => ['split.jpg']]),
        $with('53d 09:15', 'ruta', 'Spare part goes out free'),
    ]),
    $buyer('B-20247', 'Merlin: ferrule cracked', 'Faulty item', [
        $in('46d 14:20', "A crack in the lower ferrule, and the spar comes out of it in the air. Can I have a new ferrule? B-20247\n\nJoost Gallo"),
        $with('46d 14:44', 'ilse', 'Split ferrule, batch K'),
        $again('46d 16:00', 'K it is.'),
        $with('46d 16:12', 'ilse', 'Spare part goes out free', null, ['the part goes out' => 'two new spars go out']),
    ]),
    $buyer('B-20249', 'Torn sail', 'Faulty item', [
        $in('44d 11:40', "The sail of one Kestrel has a tear along the seam, ten centimetres. It was there when I unpacked it.\n\nOtto Jansen, B-20249"),
        $with('44d 12:05', 'ilse', 'Please send a photo'),
        $again('44d 18:31', 'Here you see the tear.', ['pictures' => ['tear.jpg']]),
        $out('43d 09:20', 'ilse', "Hello Otto,\n\nthank you, that seam was never closed. A new Kestrel goes out today; put the torn one into its box with the label that lies inside.\n\nBest wind,\nIlse", $sent),
    ]),
    $buyer('B-20263', 'Stitching came loose', 'Faulty item', [
        $in('39d 09:00', "The stitching at the nose came loose after an hour of flying. Kestrel, B-20263.\n\nTilde Toft"),
        $with('39d 09:24', 'ruta', 'Please send a photo'),
        $again('38d 12:10', 'Photo of the nose. The thread just hangs there.', ['pictures' => ['nose.jpg']]),
        $out('38d 12:40', 'ruta', "Hello Tilde,\n\nplease send it in, the workshop sews it within two days and sends it back at our cost. The label is attached.\n\nBest wind,\nRuta", $told),
    ]),
    $buyer('B-20288', 'Reel handle broke off', 'Faulty item', [
        $in('36d 15:30', "The handle of the reel broke off in my hand. B-20288\n\nQuentin Voss"),
        $with('36d 15:48', 'ilse', 'Please send a photo'),
        $again('35d 09:40', 'Attached: both pieces.', ['pictures' => ['reel.jpg']]),
        $with('35d 10:00', 'ilse', 'Spare part goes out free', null, ['the part goes out to you today by letter' => 'a new reel goes out to you today']),
    ]),
    $buyer('B-20353', 'Spar arrived bent', 'Faulty item', [
        $in('20d 13:15', 'The 6 mm spar is bent like a banana.'),
        $with('20d 13:40', 'ilse', 'Please send a photo'),
        $again('19d 10:10', 'Photo on the kitchen table, so that you see the bend.', ['pictures' => ['banana.jpg']]),
        $with('19d 10:30', 'ilse', 'Spare part goes out free'),
    ]),
    $buyer('B-20318', 'Stab gebrochen', 'Faulty item', [
        $in('29d 08:50', "Guten Tag,\n\nbei einem der beiden Kestrel ist beim ersten Aufbau die Muffe gerissen. Bestellung B-20318.\n\nMit freundlichen Grüßen\nFinn Salo"),
        $with('29d 09:15', 'ruta', 'Split ferrule, batch K'),
        $again('28d 17:05', 'Ja, im Kiel steht ein K.'),
        $out('27d 09:05', 'ruta', "Hallo Finn,\n\ndanke. Der neue Stab geht heute hinaus.\n\nGuten Wind,\nRuta", $sent),
    ]),
    $buyer('B-20348', 'Ferrule splits', 'Faulty item', [
        $in('20d 17:30', "After the third flight the ferrule of the Merlin splits open. The spar rattles in it. B-20348\n\nTilde Aas"),
        $with('19d 09:02', 'ilse', 'Split ferrule, batch K'),
        $again('19d 11:50', 'It says K.'),
        $with('19d 12:00', 'ilse', 'Spare part goes out free'),
    ]),
    $buyer('B-20320', 'Seam open', 'Faulty item', [
        $in('26d 10:05', "The seam along the leading edge is open on one of the two Kestrels. B-20320\n\nNoor Gallo"),
        $with('26d 10:25', 'mads', 'Please send a photo'),
        $again('25d 14:15', 'Here is the photo of the seam, and one of the label.', ['pictures' => ['seam.jpg', 'label.jpg']]),
        $out('25d 14:40', 'mads', "Hello Noor,\n\na new one is on its way, and you keep the open one for practice: the workshop would only cut it up.\n\nBest wind,\nMads", $sent),
    ]),
    $buyer('B-20381', 'Spar broke on landing', 'Faulty item', [
        $in('11d 10:15', "Bonjour, I write in English to be quicker: the Merlin landed softly and still a spar broke at the ferrule. B-20381\n\nLeif Engel"),
        $with('11d 10:40', 'ilse', 'Split ferrule, batch K'),
        $again('10d 08:20', 'Yes, the letter inside is a K.'),
        $with('10d 09:06', 'ilse', 'Spare part goes out free'),
    ]),
    $buyer('B-20404', 'Spar split', 'Faulty item', [
        $in('4d 11:20', 'The upper spar of my Merlin has split beside the ferrule.'),
        $with('4d 11:45', 'ruta', 'Split ferrule, batch K'),
    ]),
    $formOf('B-20363', 'Faulty item', [
        $in('16d 18:40', 'One of the handles of the Petrel has lost its foam. It just slid off.'),
        $with('15d 09:07', 'ilse', 'Please send a photo'),
        $again('15d 12:30', 'Photo attached.', ['pictures' => ['handle.jpg']]),
        $with('15d 12:52', 'ilse', 'Spare part goes out free'),
    ]),
    $formOf('B-20345', 'Faulty item', [
        $in('21d 08:30', 'The strap of the bag tore off where it is sewn on.'),
        $with('21d 09:10', 'mads', 'Please send a photo'),
        $again('20d 10:00', 'Here.', ['pictures' => ['strap.jpg']]),
        $with('20d 10:20', 'mads', 'Spare part goes out free', null, ['the part goes out to you today by letter' => 'a new bag goes out to you today']),
    ]),

    // Not what was ordered, or not all of it.
    $buyer('B-20241', 'Red instead of slate', 'Wrong item', [
        $in('53d 12:00', "I ordered two slate Merlins and got one slate and one red. B-20241\n\nGitte Urban"),
        $with('53d 12:22', 'ilse', 'Wrong item came'),
        $again('50d 11:00', 'Both are slate now, and the red one is in the post.'),
        $resolve('50d 11:14', 'ilse', 'Exchanged'),
    ]),
    $buyer('B-20265', 'Wrong tails', 'Wrong item', [
        $in('46d 09:15', "Orange tails ordered, plum ones received. They are pretty but wrong. B-20265\n\nCarla Olsen"),
        $with('46d 09:38', 'ruta', 'Wrong item came'),
        $again('43d 10:20', 'The orange ones came. Thank you!'),
        $resolve('43d 10:31', 'ruta', 'Exchanged'),
    ]),
    $buyer('B-20298', 'Line set is the 80 kg one', 'Wrong item', [
        $in('36d 13:10', "The bag says 28 kg and the band around the lines says 80. B-20298\n\nMina Hauge"),
        $with('36d 13:33', 'ilse', 'Please send a photo'),
        $again('36d 17:55', 'Photo of the band.', ['pictures' => ['band.jpg']]),
        $with('35d 09:10', 'ilse', 'Wrong item came', $sent),
        $note('35d 09:14', 'ilse', 'Femi found four more bags with the wrong lines and has put them aside.'),
    ]),
    $buyer('B-20335', 'Teal is not teal', 'Wrong item', [
        $in('25d 16:16', "The tails are green, not teal. Wrong bag? B-20335\n\nIda Moreau"),
        $with('24d 09:05', 'ilse', 'Please send a photo', null, ['of the damage' => 'of the tails by daylight']),
        $again('24d 13:20', 'By daylight they are teal after all. How embarrassing.'),
        $resolve('24d 13:25', 'ilse', $told),
    ]),
    $formOf('B-20368', 'Wrong item', [
        $in('15d 09:50', 'The bag is the small one, my Kestrel does not fit.'),
        $with('15d 10:15', 'mads', 'Wrong item came', 'Exchanged'),
    ]),
    $buyer('B-20240', 'Strap missing', 'Missing part', [
        $in('54d 10:45', "There is no wrist strap in the bag of the second Dunlin. B-20240\n\nWillem Kallas"),
        $with('54d 11:00', 'ilse', 'The strap is in the side pocket'),
        $again('54d 12:30', 'There it is, flat as a leaf.'),
        $resolve('54d 12:41', 'ilse', $told),
    ]),
    $buyer('B-20304', 'No strap in the bag', 'Missing part', [
        $in('35d 08:30', "Hello, the strap of the Dunlin is missing from the bag. B-20304\n\nCarla Voss"),
        $with('35d 09:12', 'ilse', 'The strap is in the side pocket'),
        $again('34d 18:15', 'Found. You should print that on the bag.'),
        $resolve('33d 09:02', 'ilse', $told),
    ]),
    $buyer('B-20341', 'Dunlin without strap', 'Missing part', [
        $in('23d 14:00', "The strap is not there, and yes, I have turned the bag inside out. B-20341\n\nRosa Ilves"),
        $with('23d 14:20', 'ruta', 'The strap is in the side pocket'),
        $again('22d 10:10', 'Still not there.'),
        $with('22d 10:30', 'ruta', 'Spare part goes out free', null, ['the part goes out' => 'a strap goes out']),
    ]),
    $buyer('B-20383', 'Wrist strap', 'Missing part', [
        $in('11d 15:15', "The description names a strap for the wrist. I cannot find it in the bag. B-20383\n\nGitte Kallas"),
        $with('11d 15:30', 'ilse', 'The strap is in the side pocket'),
        $again('10d 09:20', 'Found it, sorry!'),
        $resolve('10d 09:28', 'ilse', $told),
    ]),
    $buyer('B-20256', 'Ferrules missing', 'Missing part', [
        $in('48d 13:45', "The line set came, the pair of ferrules did not. B-20256\n\nDario Petit"),
        $with('48d 14:10', 'ruta', 'Spare part goes out free'),
    ]),
    $formOf('B-20338', 'Missing part', [
        $in('24d 11:10', 'Only the line set was in the parcel, the 8 mm spar is missing.'),
        $with('24d 11:40', 'ilse', 'Spare part goes out free', null, ['by letter' => 'by parcel, since it does not bend']),
    ]),

    // Before buying, and spare parts.
    $mail('helle@krogh.example', 'Helle Krogh', 'Which line for the Dunlin?', 'Before buying', [
        $in('56d 10:20', "Which line strength do I need for a Dunlin on the west coast, where the wind rarely sleeps?\n\nHelle Krogh"),
        $with('56d 10:41', 'ilse', 'Which line strength', $told),
    ]),
    $mail('bruno@sala.example', 'Bruno Sala', 'Lines for the Petrel', 'Before buying', [
        $in('47d 11:05', "Are the 80 kg lines enough for a Petrel 3.0, or should I take a stronger line?\n\nBruno Sala"),
        $with('47d 11:30', 'mads', 'Which line strength', $told, ['up to four on the wind scale' => 'for the Petrel 3.0 the 80 kg set is right up to five on the wind scale. Otherwise: up to four']),
    ]),
    $mail('kirsi@laine.example', 'Kirsi Laine', 'Line strength for two children', 'Before buying', [
        $in('37d 17:45', "Two children of seven and nine, one Dunlin each. Which line is strong enough and not too sharp for small hands?\n\nKirsi Laine"),
        $with('36d 09:10', 'ilse', 'Which line strength', $told),
    ]),
    $mail('tom@ashby.example', 'Tom Ashby', 'How strong a line?', 'Before buying', [
        $in('26d 13:30', "For the Kestrel in a strong wind, do I take the 28 or the 80 kg line?\n\nTom Ashby"),
        $with('26d 13:52', 'ruta', 'Which line strength', $told),
        $again('26d 15:20', 'Thanks, ordered the stronger one.'),
        $resolve('26d 15:24', 'ruta', $told),
    ]),
    $mail('maren@holz.example', 'Maren Holz', 'Welche Leine?', 'Before buying', [
        $in('16d 09:30', "Guten Tag,\n\nwelche Leine brauche ich für den Dunlin an der Ostsee?\n\nMaren Holz"),
        $out('16d 10:00', 'ruta', "Guten Tag Frau Holz,\n\nbis Windstärke vier genügen 45 kg, darüber nehmen Sie bitte 90 kg.\n\nGuten Wind,\nRuta", $told),
    ]),
    $mail('ellen@moe.example', 'Ellen Moe', 'Merlin in teal?', 'Before buying', [
        $in('52d 15:15', "When is the Merlin in teal back in stock? The shop has said sold out for a month.\n\nEllen Moe"),
        $with('52d 15:33', 'ilse', 'Out of stock, back soon', $told),
    ]),
    $mail('paul@vidal.example', 'Paul Vidal', 'Tails in plum sold out', 'Before buying', [
        $in('33d 16:40', "The plum tails are sold out. Will there be more in stock before Christmas?\n\nPaul Vidal"),
        $with('32d 09:12', 'ruta', 'Out of stock, back soon', $told),
        $again('32d 11:00', 'Yes please, put one pair aside for me.'),
        $out('32d 11:15', 'ruta', 'Done, Paul: one pair of plum with your name on it.', $told),
    ]),
    $mail('sanne@mulder.example', 'Sanne Mulder', 'Is the teal one coming back?', 'Before buying', [
        $in('18d 12:25', "Is the teal Merlin sold out for good or back in stock soon?\n\nSanne Mulder"),
        $with('18d 12:44', 'ilse', 'Out of stock, back soon', $told),
    ]),
    $mail('igor@balint.example', 'Igor Balint', 'Stock of the Petrel 3.0', 'Before buying', [
        $in('8d 10:50', "The page shows three of the Petrel 3.0 in stock. My club would need five. When do the next ones come?\n\nIgor Balint"),
        $with('8d 11:20', 'mads', 'Out of stock, back soon', null, ['it is sold out at the moment.' => 'three are here, and that is all at the moment.']),
    ]),
    $mail('agnes@thorn.example', 'Agnes Thorn', 'Kite for a windy hill', 'Before buying', [
        $in('44d 14:10', "We live on a hill where it always blows. Would the Dunlin stand it, or is the Merlin better?\n\nAgnes Thorn"),
        $out('44d 14:32', 'ilse', "Hello Agnes,\n\nthe Merlin: its sail lets the gusts through, while the Dunlin would only rattle. Take the 28 kg lines with it.\n\nBest wind,\nIlse", $told),
    ]),
    $mail('joris@blom.example', 'Joris Blom', 'Which spar fits the Kestrel 3?', 'Spare parts', [
        $in('57d 09:40', "I broke a spar of my Kestrel 3. Which of yours fits, the 6 or the 8 mm?\n\nJoris Blom"),
        $with('57d 10:02', 'ilse', 'Which spar fits', $told),
    ]),
    $mail('dagny@lie.example', 'Dagny Lie', 'Spar for an old Merlin', 'Spare parts', [
        $in('45d 10:30', "Which spar fits a Merlin from 2019? The ferrule has a 50 on it.\n\nDagny Lie"),
        $with('45d 10:55', 'ruta', 'Which spar fits', $told),
        $again('45d 12:12', 'The 5 mm one then. Thank you!'),
        $resolve('45d 12:20', 'ruta', $told),
    ]),
    $mail('uwe@kern.example', 'Uwe Kern', 'Welcher Stab passt?', 'Spare parts', [
        $in('38d 11:20', "Guten Tag,\n\nwelcher Stab passt in den Kestrel 3? Auf der Muffe steht 60.\n\nUwe Kern"),
        $with('38d 11:45', 'ruta', 'Which spar fits', $told),
    ]),
    $mail('ciara@daly.example', 'Ciara Daly', 'Spar snapped, which one?', 'Spare parts', [
        $in('22d 09:25', "My brother sat on the Kestrel. Which spar do I order, and how do I measure it?\n\nCiara Daly"),
        $with('22d 09:50', 'ilse', 'Which spar fits', $told),
    ]),
    $mail('henk@visser.example', 'Henk Visser', 'Spar for the Merlin', 'Spare parts', [
        $in('12d 15:05', "One spar of the Merlin is lost in the dunes. Is the 6 mm spar the one that fits?\n\nHenk Visser"),
        $with('12d 15:22', 'ilse', 'Which spar fits', $told, ['Measure the ferrule if you are not sure' => 'So not the 6 mm one. Measure the ferrule if you are not sure']),
    ]),
    $call('Ingeborg Rask', 'ruta', 'Spare parts', [
        $in('40d 13:20', 'Asks for a spar for her father’s kite, about thirty years old. The ferrule is 7 mm inside: we have none, told her to ask the model club in Odense.'),
        $resolve('40d 13:31', 'ruta', $told),
    ]),
    $mail('nadia@petrov.example', 'Nadia Petrov', 'Bag of ferrules', 'Spare parts', [
        $in('29d 14:45', "Could I buy one single ferrule of 6 mm? I only lost one.\n\nNadia Petrov"),
        $out('29d 15:00', 'ilse', "Hello Nadia,\n\nthey only come in pairs, and the second one will get lost, too. 3.50 euro, by letter.\n\nBest wind,\nIlse", $told),
    ]),

    // It comes back.
    $buyer('B-20245', 'Return of the Kestrel', 'Return', [
        $in('49d 13:20', "I would like to return the Kestrel, it is too large for our garden. How do I send it back? B-20245\n\nOtto Urban"),
        $with('49d 13:45', 'ilse', 'How to send something back'),
        $again('46d 10:30', 'It is in the post.'),
        $with('44d 10:10', 'femi', 'Your return has arrived'),
        $resolve('43d 11:00', 'femi', 'Refunded'),
    ], 'returns'),
    $buyer('B-20258', 'Sending one back', 'Return', [
        $in('47d 09:15', "Of the two kites I would like to keep the Kestrel and return the Petrel, unused. B-20258\n\nHugo Engel"),
        $with('47d 09:40', 'ruta', 'How to send something back'),
        $again('45d 16:20', 'Sent back today.'),
        $with('43d 09:35', 'femi', 'Your return has arrived'),
        $resolve('42d 10:05', 'femi', 'Refunded'),
    ], 'returns'),
    $buyer('B-20261', 'Rücksendung', 'Return', [
        $in('44d 08:40', "Guten Tag,\n\nich möchte den Petrel zurückschicken, er ist mir zu stark. Wie geht das? Bestellung B-20261.\n\nBo Toft"),
        $with('44d 09:05', 'ruta', 'How to send something back'),
        $again('41d 12:00', 'Das Paket ist unterwegs.'),
        $out('39d 10:15', 'femi', 'Hallo Bo, der Petrel ist da und wie neu. Das Geld geht heute zurück.', 'Refunded'),
    ], 'returns'),
    $buyer('B-20284', 'Returnering af drage', 'Return', [
        $in('38d 10:05', "Hej,\n\njeg vil gerne sende min Kestrel tilbage. Den er ikke brugt. B-20284\n\nCarla Bruun"),
        $with('38d 10:30', 'mads', 'How to send something back'),
        $again('35d 09:15', 'Så er den sendt.'),
        $out('33d 10:00', 'femi', 'Hej Carla, den er kommet og ser fin ud. Pengene er på vej.', 'Refunded'),
    ], 'returns'),
    $buyer('B-20301', 'Want to return the Kestrel', 'Return', [
        $in('33d 11:25', "It is a fine kite but my wife has bought me the same one. May I return mine, unopened? B-20301\n\nGitte Zeman"),
        $with('33d 11:50', 'ilse', 'How to send something back'),
        $again('31d 10:00', 'Where do I get the label?'),
        $with('31d 10:14', 'ilse', 'Return label'),
        $again('28d 09:10', 'It went off yesterday.'),
        $with('27d 11:00', 'femi', 'Your return has arrived'),
        $resolve('26d 10:20', 'femi', 'Refunded'),
    ], 'returns'),
    $buyer('B-20231', 'Return after six weeks', 'Return', [
        $in('21d 12:00', "Can I still return one of the two Kestrels? I have not used it, the season was over. B-20231\n\nVera Ilves"),
        $with('21d 12:30', 'ilse', 'Too late to return', $told),
        $again('20d 10:40', 'A pity, but fair. I will give it to my niece.'),
        $resolve('20d 10:52', 'ilse', $told),
    ], 'returns'),
    $buyer('B-20206', 'Return the repair tape?', 'Return', [
        $in('30d 15:15', "I never needed the tape. May I return it? B-20206\n\nBo Toft"),
        $with('30d 15:30', 'mads', 'Too late to return', $told),
    ], 'returns'),
    $buyer('B-20313', 'Label does not print', 'Return', [
        $in('28d 09:45', "The return label for the spar will not print, I only get a grey square. B-20313\n\nHugo Voss"),
        $with('28d 10:05', 'ruta', 'Return label', $told),
    ], 'returns'),
    $formOf('B-20347', 'Return', [
        $in('17d 10:20', 'I would like to return the Petrel and keep the tails. How do I send it back?'),
        $with('17d 10:45', 'ilse', 'How to send something back'),
        $again('14d 11:30', 'Sent back this morning, receipt WP 7731 118 902.'),
        $with('12d 10:00', 'femi', 'Your return has arrived'),
        $resolve('11d 11:20', 'femi', 'Refunded'),
    ]),
    $buyer('B-20362', 'Petrel is too strong for me', 'Return', [
        $in('13d 13:40', "It pulled me across the field. May I return it, with some grass on it? B-20362\n\nBo Jansen"),
        $with('13d 14:02', 'ilse', 'How to send something back', null, ['of course.' => 'of course, grass and all.']),
        $again('10d 09:00', 'On its way back to you.'),
        $with('8d 10:30', 'femi', 'Your return has arrived'),
        $out('6d 11:00', 'femi', 'Hello Bo, the grass is brushed off and the Petrel is as good as new. The money goes back to your card today.', 'Refunded'),
    ], 'returns'),
    $buyer('B-20314', 'Other size', 'Exchange', [
        $in('31d 09:20', "Two Kestrels are one too many for us. Could we exchange one for a Merlin? B-20314\n\nHugo Zeman"),
        $with('31d 09:45', 'ruta', 'Exchange for another size'),
        $again('30d 17:10', 'The slate one, please.'),
        $out('29d 09:30', 'ruta', "Hello Hugo,\n\nthe slate Merlin is packed and leaves as soon as the Kestrel has been scanned. The difference of 70 euro goes back to your card.\n\nBest wind,\nRuta", 'Exchanged'),
    ]),
    $buyer('B-20370', 'Exchange the 3.0 for the 2.2', 'Exchange', [
        $in('15d 14:30', "The Petrel 3.0 is too much for me. Can I exchange it for the 2.2? B-20370\n\nJoost Olsen"),
        $with('15d 14:50', 'ilse', 'Exchange for another size', null, ['Tell us which one you would like instead; as' => 'A 2.2 is put aside for you; as']),
        $again('13d 08:10', 'Posted.'),
        $resolve('12d 10:15', 'ilse', 'Exchanged'),
    ]),
    $buyer('B-20235', 'Exchange the ferrules', 'Exchange', [
        $in('54d 15:20', "Could you exchange the 6 mm ferrules for 8 mm ones? B-20235\n\nGitte Costa"),
        $with('54d 15:40', 'ilse', 'Exchange for another size', null, ['Tell us which one you would like instead; as' => 'As']),
        $resolve('50d 10:00', 'ilse', 'Exchanged'),
    ]),

    // Money and papers.
    $buyer('B-20224', 'Where is my refund?', 'Refund', [
        $in('45d 09:05', "I sent the lines back three weeks ago. When do I see the money on my account? B-20224\n\nAlma Jansen"),
        $out('45d 09:30', 'mads', "Hello Alma,\n\nFemi had put them beside the wrong order, and that is our fault. 20.00 euro are on their way, and the 9.00 of the delivery with them.\n\nBest wind,\nMads", 'Refunded'),
        $again('42d 18:10', 'The money is here. Thank you for the delivery, too.'),
        $resolve('41d 09:02', 'mads', 'Refunded'),
    ]),
    $buyer('B-20276', 'Money for the bag', 'Refund', [
        $in('37d 10:20', "You wrote that the bag is paid back since its zip was broken. My account does not show the refund. B-20276\n\nLeif Rossi"),
        $with('37d 10:45', 'mads', 'Refund is on its way'),
    ]),
    $buyer('B-20294', 'Refund of the second pair', 'Refund', [
        $in('32d 13:15', "I paid for two pairs of tails and got one. Could you refund the other? B-20294\n\nMina Dekker"),
        $note('32d 13:30', 'ilse', 'Femi says the second pair was out of stock and should have been taken off. 14.00 euro.'),
        $with('32d 14:10', 'mads', 'Refund is on its way'),
    ]),
    $buyer('B-20361', 'Refund for the tails', 'Refund', [
        $in('15d 16:20', "The tails I sent back are with you since Monday. Is the refund on its way? B-20361\n\nOtto Rossi"),
        $with('14d 09:05', 'mads', 'Refund is on its way'),
        $again('11d 12:40', 'It is on my account. Thanks.'),
        $resolve('11d 12:50', 'mads', 'Refunded'),
    ]),
    $mail('vibeke@juul.example', 'Vibeke Juul', 'Please refund my card', 'Refund', [
        $in('27d 17:10', "Please refund the deposit to my card 4111 1111 1111 1111, I need no receipt.\n\nVibeke Juul"),
        $with('26d 09:04', 'mads', 'No card numbers, please', $told),
    ]),
    $buyer('B-20251', 'Invoice, please', 'Invoice', [
        $in('50d 10:10', "Could you send me the invoice of B-20251? The one in the parcel got wet.\n\nIda Petit"),
        $with('50d 10:26', 'ilse', 'Invoice attached'),
    ]),
    $buyer('B-20264', 'Faktura mangler', 'Invoice', [
        $in('48d 09:00', "Hej,\n\njeg mangler fakturaen for B-20264.\n\nBo Urban"),
        $with('48d 09:22', 'mads', 'Invoice attached'),
    ]),
    $buyer('B-20293', 'Invoice for the club', 'Invoice', [
        $in('38d 16:05', "Our treasurer needs an invoice of the Kestrel with the name of the club on it: Drageklubben Fyn. B-20293\n\nBo Weber"),
        $with('38d 16:22', 'ilse', 'Invoice attached', null, ['Should it name a company, send us its name and tax number and we write it anew.' => 'It names the Drageklubben Fyn now.']),
    ]),
    $buyer('B-20321', 'Invoice without tax number', 'Invoice', [
        $in('29d 11:05', "The invoice of B-20321 does not show our tax number. Could you send it anew? SE 00 11 22 33 44 01\n\nElsa Toft"),
        $with('29d 11:30', 'mads', 'Invoice attached', null, ['Should it name a company, send us its name and tax number and we write it anew.' => 'Your tax number is on it now.']),
        $again('29d 13:00', 'Perfect, thank you.'),
        $resolve('29d 13:05', 'mads', 'Invoice sent'),
    ]),
    $buyer('B-20352', 'Invoice', 'Invoice', [
        $in('20d 14:40', "May I have the invoice of B-20352 as a file?\n\nRosa Kallas"),
        $with('20d 14:55', 'ilse', 'Invoice attached'),
    ]),
    $buyer('B-20398', 'Invoice lost', 'Invoice', [
        $in('6d 09:25', "I threw the invoice away with the box. Could you send it again? B-20398\n\nRosa Voss"),
        $with('6d 09:40', 'ilse', 'Invoice attached'),
    ]),
    $formOf('B-20332', 'Invoice', [
        $in('25d 09:15', 'Please send an invoice for our school, Havets Friskola, over both Petrels.'),
        $with('25d 09:40', 'ruta', 'Invoice attached', null, ['Should it name a company, send us its name and tax number and we write it anew.' => 'It is made out to Havets Friskola.']),
    ]),
    $buyer('B-20259', 'Gift card: what is left on it?', 'Gift card', [
        $in('40d 12:40', "How much is left on the gift card I gave my sister? She has ordered something small with it. B-20259\n\nIda Aas"),
        $out('40d 13:05', 'ilse', "Hello Ida,\n\nonly she can see that, under “my card” in the shop. It does not run out before three years.\n\nBest wind,\nIlse", $told),
    ]),
    $buyer('B-20311', 'Gift card and return', 'Gift card', [
        $in('30d 16:30', "I paid partly with a gift card and send one thing back. Does the money go to the card or to the bank? B-20311\n\nVera Hauge"),
        $with('30d 16:44', 'ilse', 'Gift card covered a part', $told),
    ]),
    $buyer('B-20367', 'Gift card by mail?', 'Gift card', [
        $in('19d 10:10', "Is the gift card of B-20367 a real card or only a code? It should be something to hold.\n\nJoost Costa"),
        $out('19d 10:25', 'ruta', "Hello Joost,\n\nit is both: the code came by mail, and the card, with a kite to punch out, by letter.\n\nBest wind,\nRuta", $told),
    ]),
    $formOf('B-20374', 'Gift card', [
        $in('13d 15:45', 'Part of this order was to be paid with the gift card, and it took the whole sum from my account.'),
        $with('13d 16:10', 'ilse', 'Gift card covered a part', null, ['part of your order' => 'the card was not typed in, so nothing was taken from it, and it is good for the next order. When it is used, part of that order']),
        $resolve('12d 09:30', 'ilse', $told),
    ]),

    // Trade.
    $mail('shop@hoejen.example', 'Højen Legetøj, Signe Bach', 'Can we sell your kites?', 'Wholesale', [
        $in('54d 09:10', "Hello,\n\nwe have a toy shop by the sea and would like to sell your Dunlins. What are your terms for resellers?\n\nSigne Bach\nHøjen Legetøj"),
        $with('54d 09:45', 'mads', 'Wholesale terms'),
        $again('52d 11:20', 'Twenty Dunlins to begin with, please.'),
        $out('52d 11:45', 'mads', 'Twenty Dunlins at trade price are 640.00 without tax, Signe. They leave on Monday.', $told),
    ], 'wholesale'),
    $mail('einkauf@windwerk.example', 'Windwerk, Jens Ott', 'Händlerpreise', 'Wholesale', [
        $in('36d 08:55', "Guten Tag,\n\nwir führen Drachen an zwei Stränden und hätten gern Ihre Händlerpreise.\n\nJens Ott\nWindwerk"),
        $with('36d 09:20', 'ruta', 'Wholesale terms'),
        $again('34d 10:00', 'Danke, wir melden uns im Frühjahr.'),
        $resolve('34d 10:06', 'ruta', $told),
    ], 'wholesale'),
    $mail('hello@saltandsky.example', 'Salt and Sky, Orla Quinn', 'Trade prices for a beach hut', 'Wholesale', [
        $in('20d 11:45', "We run a beach hut with boards and buckets and want to add kites. What are your trade prices, and from how many pieces?\n\nOrla Quinn"),
        $with('20d 12:10', 'mads', 'Wholesale terms'),
        $again('18d 09:30', 'Ten Dunlins and ten Merlins, if that counts as ten of one model each?'),
        $out('18d 09:50', 'mads', 'It does, Orla. I send the pro forma today.', $told),
    ], 'wholesale'),
    $mail('bench@flytsport.example', 'Flyt Sport, Henrik', 'Merlins for the winter window', 'Wholesale', [
        $in('13d 10:20', "Could you put twelve Merlins aside for the window, to be sent in the first week of the month?\n\nHenrik"),
        $out('13d 10:40', 'mads', 'They have your name on them, Henrik.', $told),
    ], 'wholesale'),
    $mail('procurement@northpier.example', 'North Pier Museum, A. Loft', 'Fifty kites with our colours', 'Wholesale', [
        $in('5d 09:50', "For our anniversary we think of fifty Dunlins with tails in our colours, blue and cream. What would the terms be?\n\nA. Loft"),
        $of('5d 10:20', 'mads', 'North Pier Museum', 'procurement'),
        $with('5d 10:25', 'mads', 'Wholesale terms'),
    ], 'wholesale'),
    $mail('accounts@kitebarn.example', 'Kite Barn, Piet Dorn', 'Closing invoice, our number on it', 'Wholesale', [
        $in('31d 09:20', "Good morning,\n\nthe closing invoice of the spring order came without our number KB-118. Could we have it once more with it?\n\nPiet Dorn\nbookkeeping, Kite Barn"),
        $of('31d 09:35', 'mads', 'Kite Barn', 'bookkeeping'),
        $out('31d 09:40', 'mads', 'Sent once more with KB-118 on it, Piet, and noted for the next one.', 'Invoice sent'),
    ], 'wholesale'),
    $mail('shop@northpier.example', 'North Pier Museum, Maeve Sutton', 'A dozen Dunlins for the museum shop', 'Wholesale', [
        $in('24d 13:15', "We sold the last Dunlin in the museum shop on Sunday. Another twelve, slate and red by halves, to the pier entrance please. The gate is closed before ten.\n\nMaeve Sutton"),
        $of('24d 13:40', 'mads', 'North Pier Museum', 'runs the museum shop'),
        $out('24d 13:50', 'mads', 'Six slate and six red leave tomorrow, Maeve, with “not before ten” on the label.', $told),
    ], 'wholesale'),
    $mail('colm.hayes@northpier.example', 'Colm Hayes', 'Hanging a kite from a ceiling', 'Before buying', [
        $in('3d 11:10', "Can the Petrel hang from a ceiling for a year without the sail sagging? It would be above the stairs of our hall, out of the sun.\n\nColm Hayes"),
        $out('3d 11:35', 'ilse', 'It can, Colm: hang it by the keel and the two spar ends, never by the tips, and slacken the bridle.', $told),
    ]),

    // Something else.
    $mail('jobs@handsome-hands.example', 'Handsome Hands', 'Your vacancy', 'Not for us', [
        $in('42d 10:30', "We would like to offer you two skilled people for your warehouse, from next week.\n\nHandsome Hands"),
        $with('42d 10:50', 'mads', 'Not ours'),
    ]),
    $mail('r.klint@klint.example', 'Rasmus Klint', 'My bicycle', 'Not for us', [
        $in('31d 15:20', "You repaired my bicycle in June and the brake squeaks again. When can I bring it?\n\nRasmus Klint"),
        $with('31d 15:30', 'ilse', 'Not ours'),
        $again('31d 16:02', 'Oh! Sorry, it is the shop next door to you.'),
        $resolve('31d 16:05', 'ilse', $told),
    ]),
    $mail('press@coastweekly.example', 'Coast Weekly, Tessa Lund', 'A page on kite makers', 'Not for us', [
        $in('25d 13:30', "We plan a page on people who make things by the sea. Could we visit the workshop?\n\nTessa Lund"),
        $give('25d 14:00', 'ilse', 'corin'),
        $out('24d 11:00', 'corin', "Dear Tessa,\n\ngladly. Thursdays are when we cut the sails, and there is coffee at ten.\n\nCorin Hale", $told),
    ]),
    $mail('dispatch@lumber.example', 'Lumber and Sons', 'Delivery of 4 m planks on Friday', 'Not for us', [
        $in('10d 14:20', "We deliver the planks on Friday at eight. Please keep the yard free.\n\nLumber and Sons"),
        $with('10d 14:31', 'ilse', 'Not ours'),
    ]),
    $call('Unknown caller', 'mads', 'Not for us', [
        $in('23d 12:05', 'Wants to sell us a better place in search results. Said no twice.'),
        $resolve('23d 12:06', 'mads', 'Junk'),
    ]),

    // By telephone.
    $call('Quentin Lindqvist', 'ilse', 'Before buying', [
        $in('23d 10:30', 'Which bag for the Petrel? Told him the standard bag with strap, and that it fits with the bar taken apart.'),
        $resolve('23d 10:34', 'ilse', $told),
    ]),
    $call('Carla Salo', 'ruta', 'Late parcel', [
        $in('18d 14:10', 'Line set not there although marked as delivered. Looked it up with her: left in the parcel box at the station.'),
        $resolve('18d 14:16', 'ruta', $told),
    ]),
    $call('Finn Weber', 'mads', 'Invoice', [
        $in('2d 10:20', 'Wants one invoice for the three kites and the bag of last week. Made and sent while he was on the line.'),
        $resolve('2d 10:31', 'mads', 'Invoice sent'),
    ]),

    // In public, and on marketplaces.
    $pennon('@harbourlines', 'Harbour Lines', 'Not for us', [
        $in('38d 16:00', 'First light, low tide, one @brindlekites Merlin and nobody else on the beach.'),
        $with('37d 09:20', 'mads', 'Public: thank you'),
    ]),
    $pennon('@tinawulf', 'Tina Wulf', 'Late parcel', [
        $in('29d 11:40', '@brindlekites is it normal that a parcel takes eight days to the next town?'),
        $with('29d 11:55', 'ilse', 'Public: sorry, write to us'),
        $again('29d 12:30', '@brindlekites it has just been handed to me, half an hour after I complained. Never mind!'),
        $resolve('29d 12:36', 'ilse', $told),
    ]),
    $pennon('@dunewalker', 'Dune Walker', 'Faulty item', [
        $in('20d 13:05', '@brindlekites the zip of the new bag lasted four days.'),
        $with('20d 13:20', 'ilse', 'Public: sorry, write to us'),
        $resolve('16d 09:30', 'ilse', 'No answer'),
    ]),
    $pennon('@skolenvedhavet', 'Skolen ved Havet', 'Not for us', [
        $in('12d 14:15', 'Tak til @brindlekites for de gamle dragestoffer. 4. b har syet 22 drager!'),
        $with('12d 14:40', 'mads', 'Public: thank you'),
    ]),
    $direct('@ottolie', 'Otto Lie', 'Spare parts', [
        $in('33d 17:15', 'Which spar fits a Kestrel 3? The broken one has no number any more.'),
        $with('32d 09:05', 'ilse', 'Which spar fits', $told),
    ]),
    $comment('rea.sommer', 'Rea Sommer', 'f1', 'Before buying', [
        $in('27d 19:30', 'Which one is this? It looks like it is standing still.'),
        $out('26d 09:15', 'ruta', 'The Merlin in slate, and it nearly is: that is what the long keel does.', $told),
    ]),
    $comment('oleboje', 'Ole Bøje', 'f2', 'Before buying', [
        $in('14d 08:20', 'How long are the tails in the picture?'),
        $out('14d 09:12', 'ilse', 'Six metres, in orange.', $told),
    ]),
    $marrowby('question', 'dfk71', 'D. F. K.', ['listing' => 'MER-SLT'], 'Before buying', [
        $in('43d 20:10', 'Are the lines included with the Merlin?'),
        $out('42d 09:02', 'ilse', 'They are not: add the 28 kg set, which fits it.', $told),
    ]),
    $marrowby('order-message', 'buyer20329', 'Tilde Olsen', ['order_number' => '71-4430329'], 'Late parcel', [
        $in('27d 15:30', 'Says delivered, is not here. Where is my parcel?'),
        $with('27d 15:52', 'ilse', 'Where is my parcel'),
        $again('26d 18:20', 'My son had taken it in. Thanks for answering so quickly.'),
        $resolve('25d 09:04', 'ilse', $told),
    ]),
    $marrowby('order-message', 'buyer20344', 'Ida Kallas', ['order_number' => '71-4430344'], 'Wrong item', [
        $in('22d 11:10', 'The lines are 25 m and not 30 m long.'),
        $with('22d 11:30', 'ruta', 'Please send a photo'),
        $again('21d 08:05', 'I measured again, with the ends they are 30. Sorry.'),
        $resolve('21d 09:15', 'ruta', $told),
    ]),
    $marrowby('rating', 'tidewater', 'T. Water', ['of' => 'seller', 'stars' => 5], null, [
        $in('16d 21:00', 'Came in two days, with a note written by hand.'),
        $out('15d 09:20', 'mads', 'Thank you! That was Femi, who packs.', $told),
    ]),
    $quaymart('order', 'QM20113317', 'c-331', 'Bo Lindqvist', [], 'Missing part', [
        $in('24d 16:45', 'No strap in the bag of the Dunlin.'),
        $with('23d 09:05', 'ilse', 'The strap is in the side pocket'),
        $again('23d 18:12', 'It was there. Good hiding place.'),
        $resolve('22d 09:00', 'ilse', $told),
    ]),
    $quaymart('listing', 'KES-RED', 'c-8841', 'Bodil', [], 'Before buying', [
        $in('11d 17:20', 'Is the Kestrel in red out of stock or only slow to load?'),
        $with('10d 09:14', 'ruta', 'Out of stock, back soon', $told, ['it is sold out at the moment' => 'on Quaymart it is sold out at the moment']),
    ]),
];
