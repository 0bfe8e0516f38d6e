// What Brindle Kite Works sells. Prices in cents of a euro, 25 % tax included at home.
export const PRODUCTS = [
    ['MER-SLT', 'Merlin delta, slate', 11900, 18],
    ['MER-RED', 'Merlin delta, red', 11900, 7],
    ['MER-TEA', 'Merlin delta, teal', 11900, 0],
    ['KES-RED', 'Kestrel 3, red', 18900, 11],
    ['KES-GRN', 'Kestrel 3, green', 18900, 4],
    ['DUN-STD', 'Dunlin, single line', 4900, 32],
    ['PET-22', 'Petrel power kite 2.2', 24900, 6],
    ['PET-30', 'Petrel power kite 3.0', 29900, 3],
    ['SPA-06', 'Spar 6 mm, 82 cm', 620, 41],
    ['SPA-08', 'Spar 8 mm, 82 cm', 780, 26],
    ['FER-06', 'Ferrule 6 mm, pair', 350, 88],
    ['LIN-28', 'Line set 28 kg, 30 m', 2000, 23],
    ['LIN-80', 'Line set 80 kg, 25 m', 3900, 14],
    ['TAI-TEA', 'Tails, teal, pair', 1400, 19],
    ['TAI-ORA', 'Tails, orange, pair', 1400, 25],
    ['TAI-PLU', 'Tails, plum, pair', 1400, 0],
    ['REE-12', 'Reel, 12 cm', 1250, 37],
    ['TAP-RIP', 'Repair tape for ripstop', 690, 60],
    ['BAG-STD', 'Bag with strap', 1900, 15],
    ['GIF-50', 'Gift card 50 euro', 5000, 999],
].map(([sku, title, price, stock]) => ({ sku, title, price, stock }));

export const LISTINGS = PRODUCTS.filter(({ sku }) => /^(MER|KES|DUN|PET|LIN)/.test(sku));

export const productOf = (sku) => PRODUCTS.find((product) => product.sku === sku);
