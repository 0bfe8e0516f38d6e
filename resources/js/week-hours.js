// Hours of a week that one can draw: what is drawn is written into the field beside it, what is typed there is drawn.
import { DAY, drawnSpans, heldAt, joinSpans, readSpans, writeSpans } from './week-spans.js';

const SVG = 'http://www.w3.org/2000/svg';
const REACH = 8;

function draw(day, spans) {
    const open = day.querySelector('.day-open');
    open.replaceChildren(...spans.map(([from, to]) => {
        const shape = document.createElementNS(SVG, 'rect');
        for (const [name, value] of Object.entries({ x: from, y: 3, width: to - from, height: 18 })) {
            shape.setAttribute(name, String(value));
        }
        return shape;
    }));
}

function makeDrawable(day) {
    const track = day.querySelector('.day-track');
    const field = day.querySelector('input');
    const minuteAt = (event) => {
        const box = track.getBoundingClientRect();
        return ((event.clientX - box.left) / box.width) * DAY;
    };
    const reach = () => (REACH / track.getBoundingClientRect().width) * DAY;
    let held = null;
    let drawn = null;
    track.classList.add('can-draw');
    field.addEventListener('input', () => draw(day, readSpans(field.value)));
    track.addEventListener('pointerdown', (event) => {
        if (event.button !== 0) {
            return;
        }
        event.preventDefault();
        track.setPointerCapture(event.pointerId);
        const spans = joinSpans(readSpans(field.value));
        held = { spans, start: minuteAt(event), what: heldAt(spans, minuteAt(event), reach()) };
    });
    track.addEventListener('pointermove', (event) => {
        if (held === null) {
            track.dataset.over = heldAt(joinSpans(readSpans(field.value)), minuteAt(event), reach())?.part ?? 'none';
            return;
        }
        drawn = drawnSpans(held.spans, held.what, held.start, minuteAt(event));
        field.value = writeSpans(drawn);
        draw(day, drawn);
    });
    const letGo = () => {
        if (held !== null && drawn !== null) {
            field.dispatchEvent(new Event('input', { bubbles: true }));
            field.dispatchEvent(new Event('change', { bubbles: true }));
        }
        held = drawn = null;
    };
    track.addEventListener('pointerup', letGo);
    track.addEventListener('pointercancel', () => {
        if (held !== null) {
            field.value = writeSpans(held.spans);
            draw(day, held.spans);
        }
        held = drawn = null;
    });
    draw(day, readSpans(field.value));
}

export function listenToWeeks() {
    document.querySelectorAll('[data-week] [data-day]').forEach(makeDrawable);
}
