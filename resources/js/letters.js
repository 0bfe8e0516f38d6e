// Which of several choices is meant by the letters typed.

const DIACRITICS = /[\u0300-\u036f]/gu;

const fold = (text) => text.normalize('NFD').replace(DIACRITICS, '').toLowerCase().replace(/\s+/gu, ' ').trim();

// The place of the choice that begins with the letters, else of one of whose words does; -1 where there is none. One
// letter, typed again, goes on to the next choice after the present one.
export function findByLetters(labels, typed, present = -1) {
    const wanted = fold(typed) + (typed.endsWith(' ') && typed.trim() !== '' ? ' ' : '');
    if (wanted.trim() === '') {
        return -1;
    }
    const isRepeated = [...wanted].every((letter) => letter === wanted[0]);
    const letters = isRepeated ? wanted[0] : wanted;
    const from = isRepeated && present >= 0 ? present + 1 : 0;
    const inOrder = [...labels.keys()].map((index) => (index + from) % labels.length);
    const folded = labels.map(fold);
    return inOrder.find((index) => folded[index].startsWith(letters))
        ?? inOrder.find((index) => folded[index].split(/[^\p{L}\p{N}]+/u).some((word, at, words) => words.slice(at).join(' ').startsWith(letters)))
        ?? -1;
}
