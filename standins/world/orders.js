// Four hundred orders of the past 120 days, relative to a day, with their parcels. The same for every
// stand-in that asks, since all of it follows from one seed.
import { FIRST, LAST, PEOPLE, TOWNS } from './people.js';
import { PRODUCTS, productOf } from './products.js';
import { random } from './random.js';

const DAY = 86_400_000;
const FIRST_NUMBER = 20041;
const LAST_NUMBER = 20440;
const CARRIER = 'Wren Parcel';
const TAX = { DK: '0.25', DE: '0.19', FR: '0.20', NL: '0.21', SE: '0.25', PL: '0.23', CZ: '0.21', PT: '0.23', LV: '0.21', FI: '0.255', IE: '0.23', NO: '0', GB: '0', JP: '0' };

// Orders that the stories tell of: who, what, how long ago, and how far the parcel came.
// way: [days after the order, stage] for each scan.
const DELIVERED = [[2, 'collected'], [4, 'at_depot'], [5, 'out_for_delivery'], [5, 'delivered']];
const TOLD = {
    20417: { who: 'tomas', days: 9, lines: [['MER-SLT', 1], ['LIN-28', 1]], way: DELIVERED },
    20388: { who: 'anaMarket', days: 12, lines: [['MER-RED', 1], ['TAI-ORA', 1]], express: true, sold: ['Marrowby', '71-4480217', 'anaw88'], way: [[3, 'collected'], [6, 'at_depot']] },
    20377: { who: 'odile', days: 16, lines: [['KES-RED', 1]], way: DELIVERED },
    20431: { who: 'jun', days: 8, lines: [['TAI-TEA', 2], ['TAP-RIP', 1]], way: DELIVERED },
    20440: { who: 'priya', days: 0, lines: [['DUN-STD', 1], ['REE-12', 1]], way: [] },
    20119: { who: 'lars', days: 84, lines: [['KES-GRN', 2], ['LIN-80', 2]], way: DELIVERED },
    20402: { who: 'ewan', days: 34, lines: [['REE-12', 1], ['DUN-STD', 1]], way: DELIVERED },
    20436: { who: 'yuki', days: 7, lines: [['PET-22', 1]], way: DELIVERED },
    20425: { who: 'piet', days: 9, lines: [['KES-GRN', 1]], way: DELIVERED },
    20411: { who: 'anda', days: 10, lines: [['DUN-STD', 4]], way: DELIVERED },
    20399: { who: 'nils', days: 13, lines: [['LIN-28', 1]], way: DELIVERED },
    20351: { who: 'dov', days: 25, lines: [['MER-SLT', 1]], way: DELIVERED, refunded: 11900 },
    20394: { who: 'wanda', days: 14, lines: [['DUN-STD', 2]], way: [[2, 'collected'], [4, 'at_depot'], [9, 'returned_to_sender']] },
    20405: { who: 'sam', days: 12, lines: [['PET-30', 1]], way: DELIVERED },
    20366: { who: 'felix', days: 20, lines: [['MER-RED', 1]], way: DELIVERED },
    20340: { who: 'greta', days: 30, lines: [['DUN-STD', 1], ['TAI-TEA', 1]], cancelled: true, way: [], refunded: 6400 },
    20333: { who: 'david', days: 33, lines: [['KES-RED', 1], ['LIN-80', 1]], way: DELIVERED, secondParcel: true },
    20360: { who: 'hanne', days: 2, lines: [['DUN-STD', 1], ['REE-12', 2]], giftCard: 5000, way: [] },
    20412: { who: 'beatriz', days: 11, lines: [['DUN-STD', 1], ['BAG-STD', 1]], way: DELIVERED },
    20290: { who: 'tomas', days: 48, lines: [['LIN-28', 1]], way: DELIVERED },
    20205: { who: 'ana', days: 66, lines: [['TAI-ORA', 1]], way: DELIVERED },
    20421: { who: 'karin', days: 9, lines: [['DUN-STD', 1]], way: DELIVERED },
    20375: { who: 'jonas', days: 17, lines: [['MER-SLT', 1]], way: DELIVERED },
    20380: { who: 'beritMarket', days: 11, lines: [['MER-SLT', 1], ['REE-12', 1]], sold: ['Marrowby', '71-4480380', 'beritw'], way: [[2, 'collected'], [5, 'at_depot']] },
    20372: { who: 'petraMarket', days: 18, lines: [['KES-RED', 1]], sold: ['Quaymart', 'QM20114873', 'c-5512'], way: DELIVERED },
    20310: { who: 'kitebarn', days: 41, lines: [['KES-RED', 12], ['KES-GRN', 12]], discountShare: 30, way: DELIVERED },
};

// What was given back of other orders: [of which goods, how much, of the delivery, how many came back].
const GIVEN_BACK = {
    20206: ['TAP-RIP', 690, 0, 0],
    20224: ['LIN-28', 2000, 900, 1],
    20245: ['KES-RED', 18900, 0, 1],
    20258: ['PET-30', 29900, 0, 1],
    20261: ['PET-22', 24900, 0, 1],
    20276: ['BAG-STD', 1900, 0, 0],
    20284: ['KES-GRN', 18900, 0, 1],
    20294: ['TAI-ORA', 1400, 0, 0],
    20301: ['KES-RED', 18900, 0, 1],
    20347: ['PET-22', 24900, 0, 1],
    20361: ['TAI-TEA', 1400, 0, 1],
    20362: ['PET-22', 24900, 0, 1],
};

const at = (today, daysAgo, hour, minute = 0) => new Date(today - daysAgo * DAY + hour * 3_600_000 + minute * 60_000).toISOString();

function stranger(dice, number) {
    const first = dice.pick(FIRST);
    const last = dice.pick(LAST);
    const [town, country] = dice.pick(TOWNS);
    return [`${first} ${last}`, `${first}.${last}.${number % 7}@post.example`.toLowerCase(), null, [`${dice.pick(['Mølle', 'Havne', 'Strand', 'Bakke', 'Skov'])}vej ${1 + dice.below(90)}`, town, country]];
}

function made(today, number, dice) {
    const told = TOLD[number] ?? {
        days: Math.floor(((LAST_NUMBER - number) * 120) / (LAST_NUMBER - FIRST_NUMBER)),
        lines: [...new Set([dice.pick(PRODUCTS).sku, ...(dice.chance(0.5) ? [dice.pick(PRODUCTS).sku] : [])])].map((sku) => [sku, dice.chance(0.15) ? 2 : 1]),
        sold: dice.chance(0.2) ? (dice.chance(0.5) ? ['Marrowby', `71-44${10000 + number}`, `buyer${number}`] : ['Quaymart', `QM2011${number % 10000}`.padEnd(10, '7'), `c-${number % 10000}`]) : undefined,
        way: DELIVERED,
    };
    const [name, email, telephone, address] = told.who ? PEOPLE[told.who] : stranger(dice, number);
    const country = address[2];
    const rate = TAX[country] ?? '0.25';
    const placedAt = at(today, told.days, 7 + dice.below(12), dice.below(60));
    const lines = told.lines.map(([sku, quantity], index) => ({ id: `${number}-${index + 1}`, sku, title: productOf(sku).title, quantity, unit_price: productOf(sku).price, discount: told.discountShare ? Math.round((productOf(sku).price * quantity * told.discountShare) / 100) : 0, tax_rate: rate }));
    const goods = lines.reduce((sum, line) => sum + line.unit_price * line.quantity - line.discount, 0);
    const orderDiscount = !told.who && dice.chance(0.1) ? Math.round(goods / 10) : 0;
    const shipping = goods - orderDiscount >= 15000 ? 0 : told.express ? 1900 : 900;
    const total = goods - orderDiscount + shipping;
    const way = told.way.filter(([day]) => day <= told.days);
    const parcels = [];
    if (way.length > 0) {
        parcels.push({ number: `WP77${number}`, sku_quantities: lines.map(({ sku, quantity }) => [sku, quantity]), scans: way.map(([day, stage], index) => ({ id: `s${number}-${index}`, stage, at: at(today, told.days - day, 6 + index * 3, dice.below(60)), place: ['Aarhus', 'Aarhus depot', 'Depot of the town', country][index] ?? country })) });
    }
    if (told.secondParcel) {
        parcels.push({ number: `WP78${number}`, sku_quantities: [lines[1]].map(({ sku, quantity }) => [sku, quantity]), scans: [{ id: `s${number}-b`, stage: 'collected', at: at(today, told.days - 4, 9), place: 'Aarhus' }] });
    }
    const [backSku, backGoods, backShipping, backCount] = GIVEN_BACK[number] ?? [null, 0, 0, 0];
    const refunded = (told.refunded ?? 0) + backGoods + backShipping;
    const giftCard = Math.min(told.giftCard ?? 0, total);
    const payments = [
        ...(giftCard > 0 ? [{ id: `pay-${number}-g`, kind: 'gift_card', label: 'Gift card …7Q2M', captured: giftCard, refunded: 0 }] : []),
        { id: `pay-${number}-c`, kind: 'card', label: 'Card …4242', captured: total - giftCard, refunded: Math.min(refunded, total - giftCard) },
    ];
    const sent = parcels.length > 0;
    return {
        id: `ord_${number}`,
        number: `B-${number}`,
        version: 1,
        placed_at: placedAt,
        updated_at: placedAt,
        status: told.cancelled ? 'cancelled' : sent ? 'sent' : 'paid',
        currency: 'EUR',
        prices_include_tax: true,
        customer: { id: email ? `cus_${email}` : null, name, email, telephone, address: { lines: address.slice(0, 2), country } },
        sold_on: told.sold ? { marketplace: told.sold[0], number: told.sold[1], buyer: told.sold[2] } : null,
        lines: lines.map((line) => ({ ...line, sent: sent ? line.quantity : 0, returned: line.sku === backSku ? backCount : 0, refunded: line.sku === backSku ? backGoods : told.refunded && told.refunded >= line.unit_price * line.quantity ? line.unit_price * line.quantity : 0 })),
        order_discount: orderDiscount,
        shipping: { amount: shipping, title: told.express ? 'Next-day parcel' : 'Parcel', tax_rate: rate, refunded: backShipping },
        payments,
        total,
        parcels: parcels.map(({ number: parcel }) => ({ carrier: CARRIER, number: parcel })),
        parcelsFull: parcels,
    };
}

export function orders(day = new Date()) {
    const today = Date.UTC(day.getUTCFullYear(), day.getUTCMonth(), day.getUTCDate());
    const dice = random(20417);
    const list = [];
    for (let number = FIRST_NUMBER; number <= LAST_NUMBER; number++) {
        list.push(made(today, number, dice));
    }
    return list.sort((a, b) => a.placed_at.localeCompare(b.placed_at));
}

export function parcels(day = new Date()) {
    return orders(day).flatMap((order) => order.parcelsFull.map(({ number, scans }) => ({ number, to: order.customer.address, scans })));
}
