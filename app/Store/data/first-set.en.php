<?php

declare(strict_types=1);

return [
    'team' => 'Care',
    // Inside, and as customers see them.
    'categories' => [
        'Delivery' => [
            'Late parcel' => 'My parcel is late',
            'Lost parcel' => 'My parcel is lost',
            'Change order' => 'Change my order',
        ],
        'Product' => [
            'Faulty item' => 'Something is broken',
            'Wrong item' => 'I got the wrong thing',
            'Missing part' => 'A part is missing',
            'Before buying' => 'A question before buying',
        ],
        'Return' => [
            'Return' => 'Return something',
            'Exchange' => 'Exchange something',
        ],
        'Payment' => [
            'Refund' => 'My refund',
            'Invoice' => 'My invoice',
        ],
        'Other' => [
            'Something else' => 'Something else',
        ],
    ],
    // Those with a word for a key are the ones that the program itself resolves with.
    'outcomes' => [
        0 => 'Information given',
        1 => 'Sent again',
        2 => 'Refunded',
        3 => 'Exchanged',
        4 => 'Order changed',
        'no_answer' => 'No answer',
        'duplicate' => 'Duplicate',
        'junk' => 'Junk',
    ],
    // Name, folder, text.
    'templates' => [
        [
            'Where it is', 'Delivery',
            "Hello {{ customer.first_name | \"there\" }},\n\nyour order {{ order.number }} is {{ order.state "
                .'}}.{{ if parcel.number }} {{ parcel.carrier }} has the parcel {{ parcel.number }}; it was last '
                ."seen on {{ parcel.seen_on }} in {{ parcel.place }}.{{ end }}\n\n{{ agent.first_name }}, {{ "
                .'store.name }}',
        ],
        [
            'Asked the carrier', 'Delivery',
            "Hello {{ customer.first_name | \"there\" }},\n\nwe have asked {{ parcel.carrier | \"the carrier\" "
                .'}} for your parcel and write to you as soon as we know more, within three working days at the '
                ."latest.\n\n{{ agent.first_name }}, {{ store.name }}",
        ],
        [
            'A photo, please', 'Product',
            "Hello {{ customer.first_name | \"there\" }},\n\nthat should not have happened. Could you send us "
                ."a photo of it? Simply answer to this mail; then we can tell what to send you.\n\n{{ "
                .'agent.first_name }}, {{ store.name }}',
        ],
        [
            'How to send it back', 'Return',
            "Hello {{ customer.first_name | \"there\" }},\n\nyou can send {{ order.number | \"your order\" }} "
                .'back to us. Put the order\'s number into the parcel, so that we know it again. Once it is here, '
                ."your money goes back the way you paid.\n\n{{ agent.first_name }}, {{ store.name }}",
        ],
        [
            'Which order is it?', 'Other',
            "Hello {{ customer.first_name | \"there\" }},\n\nwe are glad to help. Could you tell us the number "
                ."of your order? It stands in the confirmation that we sent you.\n\n{{ agent.first_name }}, {{ "
                .'store.name }}',
        ],
        [
            'Thank you, and goodbye', 'Other',
            "Hello {{ customer.first_name | \"there\" }},\n\nthank you for telling us. If there is anything "
                ."else, simply answer to this mail.\n\n{{ agent.first_name }}, {{ store.name }}",
        ],
    ],
];
