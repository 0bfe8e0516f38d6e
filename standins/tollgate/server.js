// Tollgate: the payment provider. It holds what was taken by card in the shop and gives it back: at once or after a while, or not at all.
import { table } from '../shared/pages.js';
import { holdPayments, money, seedPayments } from '../shared/payments.js';
import { Service } from '../shared/service.js';

const ACCOUNT = 'brindle';
// What was sold by a marketplace was paid there.
const HERE = ({ sold_on: sold }) => !sold;

const service = new Service({ name: 'Tollgate', header: 'Tollgate', accounts: [ACCOUNT], seed: () => seedPayments(HERE) });
holdPayments(service, ACCOUNT, HERE);
const { data } = service;
service.describe = () => `<h2>Last refunds</h2>${table(['Refund', 'Payment', 'Amount', 'By', 'State'], data.refunds.slice(-40).reverse().map((refund) => [refund.id, refund.payment, money(refund), refund.reference ?? refund.by, refund.reason === null ? refund.state : `${refund.state}: ${refund.reason}`]))}`;
service.listen();
