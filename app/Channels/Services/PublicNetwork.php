<?php

declare(strict_types=1);

namespace App\Channels\Services;

/**
 * A service where we can post, and like or re-post what others did.
 */
interface PublicNetwork
{
    public const LIKE = 'like';

    public const REPOST = 'repost';

    public function post(string $text): ServiceRequest;

    /**
     * @return list<string> LIKE, REPOST
     */
    public function reactions(): array;

    /**
     * Where an item of it stands, encoded for a URL.
     */
    public function pathOf(string $outsideId): string;
}
