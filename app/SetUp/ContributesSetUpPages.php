<?php

declare(strict_types=1);

namespace App\SetUp;

/**
 * What a place puts under Set up. Its class is named once, in SetUpIndex.
 */
interface ContributesSetUpPages
{
    /**
     * @return list<SetUpPage>
     */
    public function pages(): array;
}
