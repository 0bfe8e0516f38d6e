// The customers of the store. Everybody here is made up. Some are in other networks under names of
// their own, which the shop does not know.
export const PEOPLE = {
    tomas: ['Tomas Hrubý', 'tomas@hruby.example', '+420 777 000 114', ['Vlnná 9', '602 00 Brno', 'CZ']],
    ana: ['Ana Wrenfield', 'ana@wrenfield.example', '+45 20 00 01 88', ['Møllevej 12', '8000 Aarhus', 'DK']],
    odile: ['Odile Fabre', 'odile.fabre@fabre.example', '+33 6 00 00 03 77', ['3 rue du Port', '29200 Brest', 'FR']],
    jun: ['Jun Watabe', 'jun.watabe@watabe.example', null, ['Hafnarstræti 4', '2100 København Ø', 'DK']],
    priya: ['Priya Raman', 'priya@raman.example', '+44 7700 900440', ['2 Mill Lane', 'Leeds LS1 4AB', 'GB']],
    lars: ['Lars Uddin', 'lars.uddin@uddin.example', '+45 20 00 01 19', ['Havnegade 40', '5000 Odense', 'DK']],
    hanne: ['Hanne Vik', 'hanne@vik.example', null, ['Strandveien 7', '5003 Bergen', 'NO']],
    beatriz: ['Beatriz Sá', 'beatriz.sa@sa.example', null, ['Rua do Cais 15', '4050 Porto', 'PT']],
    ewan: ['Ewan MacRae', 'ewan@macrae.example', '+44 7700 900402', ['11 Shore Road', 'Oban PA34 4DB', 'GB']],
    yuki: ['Yuki Hoshino', 'yuki@hoshino.example', null, ['2-4-6 Minato', 'Yokohama 220-0012', 'JP']],
    piet: ['Piet Verhoeven', 'piet@verhoeven.example', null, ['Dijk 88', '4331 Middelburg', 'NL']],
    anda: ['Anda Ozola', 'anda@ozola.example', null, ['Jūras iela 21', 'LV-3401 Liepāja', 'LV']],
    nils: ['Nils Ekberg', 'nils@ekberg.example', null, ['Kajen 3', '413 27 Göteborg', 'SE']],
    dov: ['Dov Kessler', 'dov@kessler.example', null, ['Deichweg 5', '26382 Wilhelmshaven', 'DE']],
    wanda: ['Wanda Kosik', 'wanda@kosik.example', null, ['ul. Morska 60', '81-225 Gdynia', 'PL']],
    sam: ['Sam Oduya', 'sam@oduya.example', '+44 7700 900405', ['30 Kite Hill', 'Bristol BS8 1AA', 'GB']],
    felix: ['Felix Adler', 'felix@adler.example', null, ['Am Hang 2', '87629 Füssen', 'DE']],
    greta: ['Greta Lund', 'greta@lund.example', null, ['Bakken 14', '9000 Aalborg', 'DK']],
    david: ['David Okafor', 'david@okafor.example', null, ['5 Castle Street', 'Cork T12 X8Y', 'IE']],
    jonas: ['Jonas Ritter', 'jonas@ritter.example', null, ['Seestraße 77', '18439 Stralsund', 'DE']],
    petra: ['Petra Nowak', 'petra@nowak.example', null, ['ul. Długa 4', '80-831 Gdańsk', 'PL']],
    birte: ['Birte Holm', 'birte@holm.example', null, ['Fyrvej 2', '9990 Skagen', 'DK']],
    karin: ['Karin Dahl', 'karin@dahl.example', null, ['Vågen 1', '471 31 Skärhamn', 'SE']],
    kitebarn: ['Nell Archer, Kite Barn', 'orders@kitebarn.example', '+44 7700 900700', ['Unit 4, The Barn', 'Whitby YO22 4PT', 'GB']],
    // Bought on a marketplace, which hides the address of most.
    anaMarket: ['Ana Wrenfield', 'ana@wrenfield.example', null, ['Møllevej 12', '8000 Aarhus', 'DK']],
    beritMarket: ['Berit Wold', null, null, ['Kaivegen 3', '6003 Ålesund', 'NO']],
    petraMarket: ['P. Nowak', null, null, ['ul. Długa 4', '80-831 Gdańsk', 'PL']],
};

export const FIRST = ['Alma', 'Bo', 'Carla', 'Dario', 'Elsa', 'Finn', 'Gitte', 'Hugo', 'Ida', 'Joost', 'Kaja', 'Leif', 'Mina', 'Noor', 'Otto', 'Pia', 'Quentin', 'Rosa', 'Sven', 'Tilde', 'Ugo', 'Vera', 'Willem', 'Yara', 'Zita'];
export const LAST = ['Aas', 'Bruun', 'Costa', 'Dekker', 'Engel', 'Friis', 'Gallo', 'Hauge', 'Ilves', 'Jansen', 'Kallas', 'Lindqvist', 'Moreau', 'Nagy', 'Olsen', 'Petit', 'Rossi', 'Salo', 'Toft', 'Urban', 'Voss', 'Weber', 'Zeman'];
export const TOWNS = [['8000 Aarhus', 'DK'], ['2100 København Ø', 'DK'], ['5000 Odense', 'DK'], ['20095 Hamburg', 'DE'], ['1011 Amsterdam', 'NL'], ['75011 Paris', 'FR'], ['413 27 Göteborg', 'SE'], ['0150 Oslo', 'NO'], ['Leeds LS1 4AB', 'GB'], ['00100 Helsinki', 'FI']];
