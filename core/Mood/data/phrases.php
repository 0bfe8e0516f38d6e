<?php

declare(strict_types=1);

// By which customers of stores tell how they feel. A star stands for any ending of a word. Words that say only
// what happened to the goods (broken, late, missing) are left out: calm people use them too. Denials turn a phrase
// round; after a wish it says nothing yet.
return [
    'en' => [
        'upset' => [
            'angry', 'furious', 'outraged', 'livid', 'fuming', 'disgust*', 'disgrace*', 'ridiculous', 'unacceptable', 'outrageous', 'appalling', 'shameful', 'shame on you',
            'rip off', 'ripped off', 'rip-off', 'scam', 'scammed', 'scammers', 'fraud', 'thieves', 'cheated', 'liars', 'lied to me', 'worst', 'terrible service', 'horrible service', 'awful service',
            'useless', 'incompetent', 'a joke', 'sick of', 'fed up', 'had enough', 'last straw', 'never again', 'never order from you again', 'never buy from you again', 'never buying from you again',
            'report you', 'my lawyer', 'small claims', 'legal action', 'take you to court', 'consumer protection', 'chargeback', 'dispute the charge', 'ruined', 'how dare you', 'how hard can it be', 'what a mess',
            'nobody cares', 'no excuse', 'nobody answers', 'no one answers', 'nobody has answered', 'no one has answered', 'nobody replies', 'ignored', 'ignoring me', 'stay away from', 'avoid this', 'do not buy from',
        ],
        'uneasy' => [
            'disappoint*', 'frustrat*', 'annoy*', 'unhappy', 'upset', 'worried', 'concerned', 'let down', 'not good enough', 'not what i expected', 'still waiting', 'still nothing', 'still no answer', 'still no reply', 'still not',
            'no answer', 'no reply', 'no response', 'third time', 'second time', 'third day', 'for weeks', 'for days', 'weeks now', 'give me the money back', 'give me my money back', 'do better', 'for the third time', 'once again', 'yet again', 'too long', 'running out of patience', 'patience',
            'poor service', 'poor quality', 'complaint', 'complain', 'bad experience', 'a pity', 'i expected better', 'expected more', 'nervous', 'anxious', 'afraid', 'urgently', 'desperate*',
        ],
        'pleased' => [
            'love it', 'love them', 'loves it', 'love the', 'happy', 'delighted', 'wonderful', 'fantastic', 'brilliant', 'excellent', 'superb', 'perfect', 'amazing', 'great service', 'great job', 'well done', 'thank you so much', 'thanks so much', 'many thanks for', 'very kind', 'impressed', 'beautiful', 'best kite', 'made my day', 'recommend you',
        ],
        'denials' => ['not', 'no', 'never', "isn't", "aren't", "wasn't", "don't", "didn't", "can't", 'cannot', 'hardly', 'nothing', 'less than', 'far from'],
        'wishes' => ['would be', "would've been", 'would have been'],
    ],
    'da' => [
        'upset' => [
            'vred', 'vrede', 'rasende', 'uacceptabel*', 'uacceptabelt', 'latterlig*', 'skandal*', 'pinlig*', 'svindel', 'svindlere', 'snydt', 'fup', 'elendig*', 'ubrugelig*', 'rystet', 'rystende', 'til grin', 'aldrig mere', 'aldrig igen', 'fået nok', 'nok er nok', 'træt af', 'forbrugerklagenævn*', 'advokat', 'politianmeld*', 'værste', 'ødelagt min', 'ødelagt vores', 'hvad bilder i jer ind',
        ],
        'uneasy' => [
            'skuffe*', 'frustrer*', 'irriter*', 'utilfreds*', 'bekymr*', 'ærgerlig*', 'venter stadig', 'stadig ikke', 'stadig intet', 'intet svar', 'ikke hørt', 'ikke fået svar', 'tredje gang', 'anden gang', 'i ugevis', 'alt for lang*', 'klage', 'klager', 'dårlig service', 'dårlig oplevelse', 'nervøs', 'tålmodighed*',
        ],
        'pleased' => ['glad', 'glade', 'dejlig*', 'fantastisk*', 'perfekt', 'skønt', 'super', 'vildt god', 'tusind tak', 'mange tak for hjælpen', 'elsker', 'begejstr*', 'imponer*', 'flot', 'kanon'],
        'denials' => ['ikke', 'aldrig', 'ingen', 'intet', 'næppe', 'langt fra'],
        'wishes' => ['ville være', 'ville blive'],
    ],
    'sv' => [
        'upset' => [
            'arg', 'arga', 'rasande', 'förbannad', 'oacceptabel*', 'löjlig*', 'skandal*', 'pinsam*', 'bedrägeri', 'bedragare', 'lurad', 'lurade', 'bluff', 'urusel*', 'usel', 'värdelös*', 'aldrig mer', 'aldrig igen', 'fått nog', 'less på', 'trött på', 'allmänna reklamationsnämnden', 'advokat', 'polisanmäl*', 'värsta', 'under all kritik', 'skäms',
        ],
        'uneasy' => [
            'besvik*', 'frustrer*', 'irriter*', 'missnöjd*', 'orolig*', 'oroar', 'tråkigt', 'väntar fortfarande', 'fortfarande inte', 'fortfarande inget', 'inget svar', 'inte hört', 'inte fått svar', 'tredje gången', 'andra gången', 'i veckor', 'alldeles för lång*', 'klagomål', 'klaga', 'dålig service', 'dålig upplevelse', 'nervös', 'tålamod*',
        ],
        'pleased' => ['glad', 'glada', 'underbar*', 'fantastisk*', 'perfekt', 'toppen', 'jättebra', 'tusen tack', 'stort tack', 'älskar', 'nöjd', 'nöjda', 'imponer*', 'fint jobbat'],
        'denials' => ['inte', 'aldrig', 'ingen', 'inget', 'knappast', 'långt ifrån'],
        'wishes' => ['skulle vara', 'skulle bli'],
    ],
    'nb' => [
        'upset' => [
            'sint', 'rasende', 'forbannet', 'uakseptabel*', 'latterlig*', 'skandale*', 'pinlig*', 'svindel', 'svindlere', 'lurt', 'elendig*', 'ubrukelig*', 'aldri mer', 'aldri igjen', 'fått nok', 'lei av', 'forbrukerrådet', 'advokat', 'politianmeld*', 'verste', 'under enhver kritikk',
        ],
        'uneasy' => [
            'skuffe*', 'frustrer*', 'irriter*', 'misfornøyd*', 'bekymr*', 'venter fortsatt', 'fortsatt ikke', 'fremdeles ikke', 'ikke hørt', 'ikke fått svar', 'ingen svar', 'tredje gang', 'andre gang', 'i ukevis', 'altfor lang*', 'klage', 'klager', 'dårlig service', 'nervøs', 'tålmodighet*',
        ],
        'pleased' => ['glad', 'glade', 'nydelig*', 'fantastisk*', 'perfekt', 'supert', 'kjempebra', 'tusen takk', 'elsker', 'fornøyd', 'imponer*'],
        'denials' => ['ikke', 'aldri', 'ingen', 'neppe', 'langt fra'],
        'wishes' => ['ville vært', 'ville være'],
    ],
    'de' => [
        'upset' => [
            'wütend', 'sauer', 'stinksauer', 'empört', 'empörend', 'verärgert', 'unverschämt*', 'frechheit', 'unmöglich', 'lächerlich*', 'inakzeptabel', 'nicht hinnehmbar', 'betrug', 'betrüger*', 'betrogen', 'abzocke', 'abgezockt', 'katastroph*', 'unfähig', 'nie wieder', 'schnauze voll', 'nase voll', 'mir reicht', 'es reicht', 'anwalt', 'verbraucherzentrale', 'verbraucherschutz', 'anzeige erstatten', 'rechtliche schritte', 'mahnung', 'letzte frist', 'schlechteste*', 'saftladen', 'verarscht', 'verarsche',
        ],
        'uneasy' => [
            'enttäusch*', 'frustrier*', 'ärger*', 'unzufrieden*', 'besorgt', 'sorgen', 'schade', 'warte immer noch', 'warte noch immer', 'warten immer noch', 'immer noch nicht', 'immer noch nichts', 'immer noch keine', 'keine antwort', 'keine rückmeldung', 'zum dritten mal', 'zum zweiten mal', 'seit wochen', 'viel zu lange', 'beschwerde', 'beschweren', 'schlechter service', 'geduld', 'nervös', 'langsam ungeduldig', 'ungeduldig',
        ],
        'pleased' => ['freue mich', 'freuen uns', 'begeistert', 'wunderbar*', 'großartig*', 'perfekt*', 'super', 'toll', 'tolle', 'toller', 'tollen', 'klasse', 'herzlichen dank', 'tausend dank', 'vielen lieben dank', 'zufrieden', 'glücklich', 'wunderschön*', 'liebe den', 'liebt den', 'liebe ihn'],
        'denials' => ['nicht', 'kein', 'keine', 'keinen', 'nie', 'niemals', 'kaum', 'alles andere als'],
        'wishes' => ['wäre', 'würde', 'würden'],
    ],
    'fr' => [
        'upset' => [
            'furieux', 'furieuse', 'en colère', 'scandal*', 'inadmissible*', 'inacceptable*', 'honteux', 'honteuse', 'ridicule*', 'arnaque*', 'escroc*', 'escroquerie', 'volé', 'menteurs', 'lamentable*', 'incompéten*', 'ras le bol', 'marre', 'plus jamais', 'avocat', 'répression des fraudes', 'plainte', 'porter plainte', 'pire', 'se moque de', 'vous vous moquez',
        ],
        'uneasy' => [
            'déçu', 'déçue', 'décevant*', 'déception', 'frustr*', 'agac*', 'mécontent*', 'inquiet', 'inquiète', 'dommage', 'toujours pas', 'toujours rien', "j'attends toujours", 'sans réponse', 'aucune réponse', 'pas de réponse', 'troisième fois', 'deuxième fois', 'depuis des semaines', 'trop long', 'réclamation', 'patience', 'mauvais service',
        ],
        'pleased' => ['ravi', 'ravie', 'ravis', 'content', 'contente', 'contents', 'heureux', 'heureuse', 'magnifique*', 'parfait', 'parfaite', 'génial', 'super', 'excellent*', 'merveilleux', 'merci infiniment', 'merci beaucoup pour', 'bravo', 'adore', 'adorons'],
        'denials' => ['pas', 'jamais', 'aucun', 'aucune', 'guère', 'loin', 'peu'],
        'wishes' => ['serais', 'serait', 'serions'],
    ],
    'es' => [
        'upset' => [
            'furioso', 'furiosa', 'indignad*', 'indignante', 'enfadad*', 'vergüenza', 'vergonzos*', 'inaceptable*', 'ridícul*', 'estafa*', 'timo', 'timad*', 'ladrones', 'pésim*', 'harto', 'harta', 'nunca más', 'abogado', 'denunci*', 'hoja de reclamaciones', 'peor', 'tomadura de pelo',
        ],
        'uneasy' => [
            'decepcion*', 'frustra*', 'molest*', 'descontent*', 'preocupad*', 'lástima', 'sigo esperando', 'sigo sin', 'todavía no', 'aún no', 'sin respuesta', 'ninguna respuesta', 'tercera vez', 'segunda vez', 'desde hace semanas', 'reclamación', 'queja', 'paciencia', 'mal servicio',
        ],
        'pleased' => ['contento', 'contenta', 'encantad*', 'feliz', 'maravillos*', 'perfecto', 'perfecta', 'genial', 'excelente*', 'muchísimas gracias', 'mil gracias', 'me encanta', 'nos encanta', 'estupend*'],
        'denials' => ['no', 'nunca', 'nada', 'ningún', 'tampoco', 'poco'],
        'wishes' => ['sería', 'estaría'],
    ],
    'it' => [
        'upset' => ['furios*', 'arrabbiat*', 'indignat*', 'vergogna', 'vergognos*', 'inaccettabil*', 'ridicol*', 'truffa', 'truffat*', 'truffatori', 'ladri', 'pessim*', 'stufo', 'stufa', 'mai più', 'avvocato', 'denuncia', 'denuncio', 'peggior*', 'presa in giro'],
        'uneasy' => ['delus*', 'deludente', 'frustrat*', 'infastidit*', 'insoddisfatt*', 'preoccupat*', 'peccato', 'sto ancora aspettando', 'ancora niente', 'ancora nulla', 'nessuna risposta', 'senza risposta', 'terza volta', 'seconda volta', 'da settimane', 'reclamo', 'pazienza', 'nervos*'],
        'pleased' => ['content*', 'felic*', 'meraviglios*', 'perfetto', 'perfetta', 'fantastic*', 'ottimo', 'ottima', 'bellissim*', 'grazie mille per', 'adoro', 'entusiast*', 'complimenti'],
        'denials' => ['non', 'mai', 'niente', 'nessun', 'poco'],
        'wishes' => ['sarei', 'sarebbe'],
    ],
    'nl' => [
        'upset' => ['boos', 'woedend', 'razend', 'belachelijk*', 'schandalig*', 'schande', 'onacceptabel', 'oplichting', 'oplichters', 'opgelicht', 'waardeloos', 'waardeloze', 'beu', 'nooit meer', 'nooit weer', 'zat van', 'genoeg van', 'advocaat', 'aangifte', 'slechtste', 'bespottelijk'],
        'uneasy' => ['teleurgesteld', 'teleurstell*', 'gefrustreerd', 'geïrriteerd', 'ontevreden', 'bezorgd', 'jammer', 'wacht nog steeds', 'nog steeds niet', 'nog steeds niets', 'nog steeds geen', 'geen antwoord', 'geen reactie', 'derde keer', 'tweede keer', 'al weken', 'veel te lang', 'klacht', 'slechte service', 'geduld'],
        'pleased' => ['blij', 'geweldig*', 'prachtig*', 'perfect', 'fantastisch*', 'super', 'hartelijk dank', 'heel erg bedankt', 'tevreden', 'dolblij', 'heerlijk', 'mooi'],
        'denials' => ['niet', 'nooit', 'geen', 'nauwelijks', 'allesbehalve'],
        'wishes' => ['zou'],
    ],
    'lv' => [
        'upset' => ['dusmīg*', 'nikn*', 'sašutu*', 'nepieņemam*', 'smieklīg*', 'kauns', 'krāpšana', 'krāpnieki', 'apkrāp*', 'briesmīg*', 'nekad vairs', 'vairs nekad', 'apnicis', 'pacietības mērs', 'advokāt*', 'ptac', 'vissliktāk*'],
        'uneasy' => ['vīlies', 'vīlusies', 'vīlušies', 'neapmierināt*', 'uztraucos', 'uztraucamies', 'satraukt*', 'diemžēl', 'joprojām gaidu', 'joprojām nav', 'joprojām neesmu', 'vēl aizvien', 'nav atbildes', 'neviens neatbild', 'trešo reizi', 'otro reizi', 'jau nedēļām', 'pārāk ilgi', 'sūdzība', 'sūdzēties', 'pacietīb*'],
        'pleased' => ['priecīg*', 'prieks', 'lielisk*', 'brīnišķīg*', 'fantastisk*', 'perfekt*', 'liels paldies', 'paldies par ātro', 'apmierināt*', 'skaist*'],
        'denials' => ['nav', 'ne', 'nekad', 'neesmu', 'nemaz'],
        'wishes' => ['būtu'],
    ],
    'ja' => [
        'upset' => ['ひどい', '酷い', '怒って', '最悪', '許せない', 'ふざけ', '詐欺', '二度と', '信じられない', '消費者センター', '弁護士', '馬鹿に', 'うんざり'],
        'uneasy' => ['残念', '困って', '困り', '心配', '不安', '不満', 'がっかり', 'まだ届', 'まだ返事', '返事がない', '返信がない', '何度も', 'いつになったら'],
        'pleased' => ['嬉しい', 'うれしい', '素晴らしい', '最高', '大満足', '気に入', '感謝'],
        'denials' => [],
        'wishes' => [],
    ],
];
