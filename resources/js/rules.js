// Rules are put in their order by dragging a row; typing a number does the same.

import Sortable from 'sortablejs';

export function listenToRules() {
    const rows = document.querySelector('#rule-table tbody');
    if (!rows || !rows.querySelector('.drag')) {
        return;
    }
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
