// The look of the console pages on which a person acts as a customer.
export const escape = (text) => String(text ?? '').replace(/[&<>"']/g, (character) => `&#${character.charCodeAt(0)};`);

const style = `
:root { color-scheme: light; font: 16px/1.45 system-ui, sans-serif; color: #222; background: #eef1f4; }
body { margin: 0 auto; max-width: 64rem; padding: 0 1rem 3rem; }
header { display: flex; flex-wrap: wrap; gap: .4rem 1.2rem; padding: 1rem 0; border-bottom: 2px solid #445; }
header b { margin-right: 1rem; }
a { color: #134a86; }
fieldset { margin: 1rem 0; padding: .6rem 1rem 1rem; border: 1px solid #99a; background: #fff; }
legend { padding: 0 .4rem; font-weight: 700; }
label { display: block; margin-top: .6rem; font-weight: 600; }
input, select, textarea { font: inherit; width: 100%; box-sizing: border-box; padding: .35rem; border: 1px solid #667; border-radius: 3px; background: #fff; }
button { font: inherit; margin-top: .8rem; padding: .4rem 1.1rem; border: 0; border-radius: 3px; color: #fff; background: #134a86; }
table { border-collapse: collapse; width: 100%; background: #fff; }
th, td { text-align: left; padding: .35rem .6rem; border-bottom: 1px solid #ccd; vertical-align: top; overflow-wrap: anywhere; }
.columns { display: grid; grid-template-columns: repeat(auto-fit, minmax(18rem, 1fr)); gap: 1rem; }
.said { background: #dff0df; padding: .6rem 1rem; }
small { color: #445; }
`;

export function page(service, title, body, said = '') {
    const others = (process.env.STANDIN_LINKS ?? '').split(' ').filter(Boolean).map((link) => {
        const [name, url] = link.split('=');
        return `<a href="${escape(url)}">${escape(name.replaceAll('_', ' '))}</a>`;
    });
    return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>${escape(title)} – ${escape(service)}</title><style>${style}</style></head>
<body><header><b>The outside world: ${escape(service)}</b> <a href="/">Act as a customer</a> <a href="/faults">Faults</a> <span>·</span> ${others.join(' ')}</header>
<main><h1>${escape(title)}</h1>
${said === '' ? '' : `<p class="said" role="status">${escape(said)}</p>`}
${body}
</main></body></html>`;
}

// A form that does one thing: fields are [name, label, more] with more.value, .options, .area.
export function actionForm(action, legend, fields) {
    const controls = fields.map(([name, label, { value = '', options = null, area = false } = {}]) => {
        const id = `${action}-${name}`;
        const control = options
            ? `<select id="${id}" name="${name}">${options.map((option) => `<option${String(option) === String(value) ? ' selected' : ''}>${escape(option)}</option>`).join('')}</select>`
            : area
                ? `<textarea id="${id}" name="${name}" rows="3">${escape(value)}</textarea>`
                : `<input id="${id}" name="${name}" value="${escape(value)}">`;
        return `<label for="${id}">${escape(label)}</label>${control}`;
    });
    return `<form method="post" action="/act/${action}"><fieldset><legend>${escape(legend)}</legend>${controls.join('')}<button>${escape(legend)}</button></fieldset></form>`;
}

export function table(headings, rows) {
    const head = headings.map((heading) => `<th scope="col">${escape(heading)}</th>`).join('');
    const body = rows.map((cells) => `<tr>${cells.map((cell) => `<td>${escape(cell)}</td>`).join('')}</tr>`).join('');
    return `<table><thead><tr>${head}</tr></thead><tbody>${body || `<tr><td colspan="${headings.length}">Nothing yet.</td></tr>`}</tbody></table>`;
}
