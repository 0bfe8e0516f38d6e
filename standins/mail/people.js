// Customers of the demo store who have a mailbox here. Anybody else can write, too.
export const people = [
    ['Tomas Hrubý', 'tomas@hruby.example'],
    ['Odile Fabre', 'odile.fabre@fabre.example'],
    ['Jun Watabe', 'jun.watabe@watabe.example'],
    ['Priya Raman', 'priya@raman.example'],
    ['Lars Uddin', 'lars.uddin@uddin.example'],
    ['Beatriz Sá', 'beatriz.sa@sa.example'],
    ['Hanne Vik', 'hanne@vik.example'],
    ['Ana Wrenfield', 'ana@wrenfield.example'],
];

export const shopAddresses = ['care@brindle.example', 'returns@brindle.example', 'wholesale@brindle.example'];
