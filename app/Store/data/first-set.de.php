<?php

declare(strict_types=1);

return [
    'team' => 'Kundenbetreuung',
    // Inside, and as customers see them.
    'categories' => [
        'Lieferung' => [
            'Paket verspätet' => 'Mein Paket ist verspätet',
            'Paket verloren' => 'Mein Paket ist verloren gegangen',
            'Bestellung ändern' => 'Meine Bestellung ändern',
        ],
        'Ware' => [
            'Ware defekt' => 'Etwas ist kaputt',
            'Falsche Ware' => 'Ich habe das Falsche bekommen',
            'Teil fehlt' => 'Ein Teil fehlt',
            'Vor dem Kauf' => 'Eine Frage vor dem Kauf',
        ],
        'Rückgabe' => [
            'Rücksendung' => 'Etwas zurückgeben',
            'Umtausch' => 'Etwas umtauschen',
        ],
        'Bezahlung' => [
            'Erstattung' => 'Meine Erstattung',
            'Rechnung' => 'Meine Rechnung',
        ],
        'Anderes' => [
            'Etwas anderes' => 'Etwas anderes',
        ],
    ],
    // Those with a word for a key are the ones that the program itself resolves with.
    'outcomes' => [
        0 => 'Auskunft gegeben',
        1 => 'Noch einmal geschickt',
        2 => 'Erstattet',
        3 => 'Umgetauscht',
        4 => 'Bestellung geändert',
        'no_answer' => 'Keine Antwort',
        'duplicate' => 'Doppelt',
        'junk' => 'Unerwünscht',
    ],
    // Name, folder, text.
    'templates' => [
        [
            'Wo es ist', 'Lieferung',
            "Guten Tag{{ if customer.name }} {{ customer.name }}{{ end }},\n\nzu Ihrer Bestellung {{ "
                .'order.number }}:{{ if parcel.number }} {{ parcel.carrier }} hat das Paket {{ parcel.number }}; '
                .'zuletzt gesehen wurde es am {{ parcel.seen_on }} in {{ parcel.place }}.{{ else }} Sie ist noch '
                ."bei uns und geht so bald wie möglich hinaus.{{ end }}\n\n{{ agent.first_name }}, {{ store.name }}",
        ],
        [
            'Beim Paketdienst gefragt', 'Lieferung',
            "Guten Tag{{ if customer.name }} {{ customer.name }}{{ end }},\n\nwir haben {{ parcel.carrier | "
                .'"den Paketdienst" }} nach Ihrem Paket gefragt und melden uns, sobald wir mehr wissen, '
                ."spätestens in drei Werktagen.\n\n{{ agent.first_name }}, {{ store.name }}",
        ],
        [
            'Bitte ein Foto', 'Ware',
            "Guten Tag{{ if customer.name }} {{ customer.name }}{{ end }},\n\ndas hätte nicht passieren "
                .'dürfen. Könnten Sie uns ein Foto davon schicken? Antworten Sie einfach auf diese Mail; dann '
                ."können wir sagen, was wir Ihnen schicken.\n\n{{ agent.first_name }}, {{ store.name }}",
        ],
        [
            'So geht die Rücksendung', 'Rückgabe',
            "Guten Tag{{ if customer.name }} {{ customer.name }}{{ end }},\n\nSie können {{ order.number | "
                .'"Ihre Bestellung" }} an uns zurückschicken. Legen Sie bitte die Bestellnummer in das Paket. '
                ."Sobald es hier ist, geht Ihr Geld auf dem Weg zurück, auf dem Sie bezahlt haben.\n\n{{ "
                .'agent.first_name }}, {{ store.name }}',
        ],
        [
            'Welche Bestellung?', 'Anderes',
            "Guten Tag{{ if customer.name }} {{ customer.name }}{{ end }},\n\nwir helfen gern. Nennen Sie uns "
                .'bitte die Nummer Ihrer Bestellung? Sie steht in der Bestätigung, die wir Ihnen geschickt '
                ."haben.\n\n{{ agent.first_name }}, {{ store.name }}",
        ],
        [
            'Danke und bis bald', 'Anderes',
            "Guten Tag{{ if customer.name }} {{ customer.name }}{{ end }},\n\nvielen Dank für Ihre Nachricht. "
                ."Wenn noch etwas ist, antworten Sie einfach auf diese Mail.\n\n{{ agent.first_name }}, {{ "
                .'store.name }}',
        ],
    ],
];
