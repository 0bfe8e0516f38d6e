// Rules are put in their order by dragging a row; typing a number does the same.

export async function listenToRules() {
    const rows = document.querySelector('#rule-table tbody');
    if (!rows || !rows.querySelector('.drag')) {
        return;
    }
    // Only who may put rules in order needs it.
    const { default: Sortable } = await import('sortablejs');
    Sortable.create(rows, {
        handle: '.drag',
        animation: 120,
        onEnd: ({ item, newIndex, oldIndex }) => {
            if (newIndex !== oldIndex) {
                item.querySelector('[name=place]').value = newIndex + 1;
                item.querySelector('.place-form').requestSubmit();
            }
        },
    });
}
