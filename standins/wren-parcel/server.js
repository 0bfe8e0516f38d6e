// Wren Parcel: the carrier. Parcels and their scans, labels, and a parcel that stops moving.
import { table } from '../shared/pages.js';
import { Service, refuse } from '../shared/service.js';
import { parcels } from '../world/orders.js';
import { labelPdf } from './label.js';

const ACCOUNT = 'brindle';
// Where it collects.
const SERVED = ['DK', 'SE', 'DE', 'NL', 'BE', 'FR', 'PT', 'LV', 'LT', 'EE', 'PL', 'GB', 'IE', 'NO', 'FI', 'AT', 'ES', 'IT', 'CZ'];
const STAGES = ['announced', 'collected', 'at_depot', 'out_for_delivery', 'delivered', 'returned_to_sender', 'lost'];

const service = new Service({ name: 'Wren Parcel', header: 'Wren', accounts: [ACCOUNT], seed: () => ({ parcels: parcels(), labels: [] }) });
const { data } = service;

if (data.events.length === 0) {
    const scans = data.parcels.flatMap((parcel) => parcel.scans.map((scan) => ({ parcel: parcel.number, scan })));
    for (const scanned of scans.sort((a, b) => a.scan.at.localeCompare(b.scan.at))) {
        service.emit(ACCOUNT, 'parcel.scanned', scanned, scanned.scan.at);
    }
}

const parcelOf = (number) => data.parcels.find((parcel) => parcel.number === number) ?? refuse(404, 'unknown_parcel', `There is no parcel ${number}.`);

service.on('GET', '/v1/parcels/:number', ({ number }) => ({ parcel: parcelOf(number) }));
service.on('POST', '/v1/labels', ({ account, body, headers }) => service.once({ account, headers }, () => {
    if (!SERVED.includes(body.from?.country)) {
        refuse(422, 'country_not_served', `We do not collect in ${body.from?.country ?? 'an unknown country'}.`);
    }
    const label = { id: service.nextId('L'), number: service.nextId('WP79'), to: body.to ?? null, from: body.from, reference: body.reference ?? null };
    data.labels.push(label);
    data.parcels.push({ number: label.number, to: label.to, scans: [] });
    return { ...label, pdf: Buffer.from(labelPdf(label), 'latin1').toString('base64') };
}));
service.act('scan', 'Scan a parcel', [['number', 'Parcel', { value: 'WP7720388' }], ['stage', 'Stage', { options: STAGES }], ['place', 'Place', { value: 'Depot Odense' }]], ({ number, stage, place, at }) => {
    if (!number || !STAGES.includes(stage)) {
        refuse(422, 'bad_scan', `A scan is of a parcel with a number, at one of these stages: ${STAGES.join(', ')}.`);
    }
    let parcel = data.parcels.find((one) => one.number === number);
    if (!parcel) {
        parcel = { number, to: null, scans: [] };
        data.parcels.push(parcel);
    }
    const scan = { id: service.nextId('s'), stage, place, at: at ?? new Date().toISOString() };
    parcel.scans.push(scan);
    service.emit(ACCOUNT, 'parcel.scanned', { parcel: number, scan }, scan.at);
    return scan;
});
service.describe = () => `<h2>Parcels on their way</h2>${table(['Parcel', 'Last seen', 'Where'], data.parcels.filter((parcel) => !['delivered', 'returned_to_sender'].includes(parcel.scans.at(-1)?.stage)).slice(-40).map((parcel) => [parcel.number, parcel.scans.at(-1)?.at ?? 'never', parcel.scans.at(-1)?.place ?? '']))}`;
service.listen();
