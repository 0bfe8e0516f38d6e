<?php

declare(strict_types=1);

namespace App\Conversations\Changes;

use App\Fields\About;
use App\Fields\OwnField;
use App\Sorting\Tag;
use Cairnfield\Core\Text\Folding;
use Illuminate\Database\Eloquent\Model;

/**
 * Something that must be there for a change, or for what asks for it.
 */
final readonly class Reference
{
    /**
     * @param  class-string<Model>  $class
     * @param  string  $name  its number; of own fields what they are about and the word, of tags that are written `=` and the folded name
     */
    public function __construct(public string $class, public string $name) {}

    /**
     * @param  class-string<Model>  $class
     * @return list<self> none where no number was chosen
     */
    public static function toNumber(string $class, string $number): array
    {
        return ctype_digit($number) ? [new self($class, $number)] : [];
    }

    public static function toField(About $about, string $word): self
    {
        return new self(OwnField::class, "{$about->value}.{$word}");
    }

    public static function toTag(string $written): self
    {
        return new self(Tag::class, '='.Folding::fold($written));
    }

    /**
     * All by which a thing may be meant.
     *
     * @return list<self>
     */
    public static function allTo(Model $thing): array
    {
        $name = (string) $thing->getKey();

        return match (true) {
            $thing instanceof OwnField => [self::toField($thing->about, $thing->word)],
            $thing instanceof Tag => [new self(Tag::class, $name), self::toTag($thing->name)],
            default => [new self($thing::class, $name)],
        };
    }

    public function equals(self $other): bool
    {
        return $this->class === $other->class && $this->name === $other->name;
    }
}
