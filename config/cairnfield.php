<?php

declare(strict_types=1);

return [
    /*
     * The store whose customers write in, until its administrators have said what it is.
     */
    'store' => [
        'name' => env('STORE_NAME', 'Brindle Kite Works'),
        // Where telephone numbers without a country code are from.
        'country' => env('STORE_COUNTRY', 'DK'),
        // In which it answers where a customer's language is not known.
        'language' => env('STORE_LANGUAGE', 'en'),
        'time_zone' => env('STORE_TIME_ZONE', 'Europe/Copenhagen'),
    ],

    'sign_in' => [
        // Minutes in which nothing is done until somebody is signed out, and days after which they are whatever they do.
        'idle_minutes' => 12 * 60,
        'longest_days' => 14,
    ],

    'schedule' => [
        // What is looked after every few seconds is so this many times as often. The browser tests wait for it, and raise it.
        'times_as_often' => (int) env('SCHEDULE_TIMES_AS_OFTEN', 1),
    ],

    'queue' => [
        // How often an open queue asks for what is new, in seconds.
        'asks_every' => (int) env('QUEUE_ASKS_EVERY', 3),
        // Rows shown at once; more are fetched when somebody comes to the end of them.
        'rows' => (int) env('QUEUE_ROWS', 30),
    ],

    'mail' => [
        // Larger messages are set aside for an administrator with their original, unread.
        'largest_message' => (int) env('MAIL_LARGEST_MESSAGE', 25 * 1024 * 1024),
        // Files on one reply, together. Base64 adds a third, and mail servers commonly stop at 25 MB.
        'largest_attachments' => 18 * 1024 * 1024,
        // Seconds to wait for a mail server before giving up for now.
        'timeout' => (int) env('MAIL_TIMEOUT', 20),
        // Seconds to wait for an answer of a sending server. Longer, since giving up after the whole
        // message has gone out means not knowing whether it was taken (RFC 5321, 4.5.3.2).
        'answer_timeout' => (int) env('MAIL_ANSWER_TIMEOUT', 120),
        // Signs the Reply-To addresses. Changing it makes the tokens sent so far worthless.
        'reply_secret' => hash('sha256', 'reply-token:'.env('APP_KEY', '')),
    ],

    'services' => [
        // Seconds to wait for networks, marketplaces, shop and carrier.
        'connect_timeout' => 5,
        'timeout' => (int) env('SERVICE_TIMEOUT', 15),
    ],

    'refunds' => [
        // For which what a rule gives back waits, so that a person can take it back.
        'rules_wait_seconds' => (int) env('RULE_REFUNDS_WAIT', 900),
        // Seconds after which the payment provider is asked how it went, where it has not said so.
        'asks_after' => (int) env('PAYOUT_ASKS_AFTER', 60),
        // For which one asking is one worker's; longer than a service is waited for.
        'held_seconds' => (int) env('PAYOUT_HELD_SECONDS', 90),
    ],

    'outbox' => [
        // For how many seconds an answer can be called back before it is on its way.
        'call_back_seconds' => (int) env('OUTBOX_CALL_BACK_SECONDS', 10),
        // Answers to many at once wait longer, so that undoing them means something.
        'bulk_call_back_seconds' => (int) env('OUTBOX_BULK_CALL_BACK_SECONDS', 60),
        // For how long a worker may hold a message while sending it. A worker that dies leaves it to
        // the next one after this. Must stay above the time in which one delivery can still succeed.
        'lease_seconds' => (int) env('OUTBOX_LEASE_SECONDS', 240),
        // Pauses before each further try, in seconds; after the last one it has failed for good.
        // 31 hours in all: a mail server that is down overnight or over a day costs no message.
        'pauses' => array_map('intval', explode(',', (string) env('OUTBOX_PAUSES', '15,60,300,900,3600,7200,14400,28800,57600'))),
    ],

    // Where the demo data's addresses have their mailboxes: the mail stand-in, as bin/start runs it.
    'demo' => [
        'imap_port' => (int) env('STANDIN_IMAP_PORT', 8463),
        'smtp_port' => (int) env('STANDIN_SMTP_PORT', 8462),
        // The simulated services, in the order in which bin/start gives them ports.
        'services_port' => (int) env('STANDINS_PORT', 8466),
        'password' => (string) env('STANDIN_PASSWORD', 'kites-8460'),
    ],
];
