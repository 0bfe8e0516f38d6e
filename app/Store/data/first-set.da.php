<?php

declare(strict_types=1);

return [
    'team' => 'Kundeservice',
    // Inside, and as customers see them.
    'categories' => [
        'Levering' => [
            'Forsinket pakke' => 'Min pakke er forsinket',
            'Mistet pakke' => 'Min pakke er blevet væk',
            'Ændre ordre' => 'Ændre min ordre',
        ],
        'Vare' => [
            'Defekt vare' => 'Noget er gået i stykker',
            'Forkert vare' => 'Jeg har fået det forkerte',
            'Manglende del' => 'Der mangler en del',
            'Før køb' => 'Et spørgsmål før køb',
        ],
        'Retur' => [
            'Returnering' => 'Returnere noget',
            'Bytning' => 'Bytte noget',
        ],
        'Betaling' => [
            'Tilbagebetaling' => 'Min tilbagebetaling',
            'Faktura' => 'Min faktura',
        ],
        'Andet' => [
            'Noget andet' => 'Noget andet',
        ],
    ],
    // Those with a word for a key are the ones that the program itself resolves with.
    'outcomes' => [
        0 => 'Oplysning givet',
        1 => 'Sendt igen',
        2 => 'Tilbagebetalt',
        3 => 'Byttet',
        4 => 'Ordre ændret',
        'no_answer' => 'Intet svar',
        'duplicate' => 'Dublet',
        'junk' => 'Uønsket',
    ],
    // Name, folder, text.
    'templates' => [
        [
            'Hvor den er', 'Levering',
            "Hej {{ customer.first_name | \"med dig\" }},\n\nom din ordre {{ order.number }}:{{ if "
                .'parcel.number }} {{ parcel.carrier }} har pakken {{ parcel.number }}; den blev sidst set {{ '
                .'parcel.seen_on }} i {{ parcel.place }}.{{ else }} Den er stadig hos os og sendes så snart som '
                ."muligt.{{ end }}\n\n{{ agent.first_name }}, {{ store.name }}",
        ],
        [
            'Spurgt hos fragtfirmaet', 'Levering',
            "Hej {{ customer.first_name | \"med dig\" }},\n\nvi har spurgt {{ parcel.carrier | "
                .'"fragtfirmaet" }} efter din pakke og skriver til dig, så snart vi ved mere, senest om tre '
                ."hverdage.\n\n{{ agent.first_name }}, {{ store.name }}",
        ],
        [
            'Et billede, tak', 'Vare',
            "Hej {{ customer.first_name | \"med dig\" }},\n\ndet skulle ikke være sket. Kan du sende os et "
                ."billede af det? Svar blot på denne mail; så kan vi sige, hvad vi sender dig.\n\n{{ "
                .'agent.first_name }}, {{ store.name }}',
        ],
        [
            'Sådan sender du retur', 'Retur',
            "Hej {{ customer.first_name | \"med dig\" }},\n\ndu kan sende {{ order.number | \"din ordre\" }} "
                .'retur til os. Læg ordrenummeret i pakken, så vi kan kende den. Når den er her, går pengene '
                ."tilbage samme vej, som du betalte.\n\n{{ agent.first_name }}, {{ store.name }}",
        ],
        [
            'Hvilken ordre er det?', 'Andet',
            "Hej {{ customer.first_name | \"med dig\" }},\n\nvi hjælper gerne. Kan du give os nummeret på din "
                ."ordre? Det står i den bekræftelse, vi sendte dig.\n\n{{ agent.first_name }}, {{ store.name }}",
        ],
        [
            'Tak, og på gensyn', 'Andet',
            "Hej {{ customer.first_name | \"med dig\" }},\n\ntak, fordi du skrev. Er der andet, så svar blot "
                ."på denne mail.\n\n{{ agent.first_name }}, {{ store.name }}",
        ],
    ],
];
