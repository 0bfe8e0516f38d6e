// Snapline: a network of photos. People comment under our photos and write direct messages; what
// happened is told in words of its own, different from those of other networks.
import { table } from '../shared/pages.js';
import { Service, refuse } from '../shared/service.js';

const ACCOUNT = 'brindle.kites';
const LONGEST = 1000;

const service = new Service({
    name: 'Snapline',
    header: 'Snapline',
    accounts: [ACCOUNT],
    seed: () => ({
        photos: [
            { id: 'f1', caption: 'Merlin in slate over the harbour', comments: [] },
            { id: 'f2', caption: 'Kestrel 3, first flight of the new red', comments: [] },
            { id: 'f3', caption: 'Dunlins drying after the rain', comments: [] },
        ],
        talks: {},
    }),
});
const { data } = service;

const photoOf = (id) => data.photos.find((photo) => photo.id === id) ?? refuse(404, 'unknown_photo', `There is no photo ${id}.`);

function readable(text) {
    return typeof text === 'string' && text.trim() !== '' && [...text].length <= LONGEST
        ? text
        : refuse(422, 'bad_text', `A text has 1 to ${LONGEST} characters.`);
}

function addComment({ photo: photoId, by, shown, text, under = null, at }) {
    const photo = photoOf(photoId);
    if (under !== null && !photo.comments.some((other) => other.id === under)) {
        refuse(404, 'unknown_comment', `There is no comment ${under} under this photo.`);
    }
    const comment = { id: service.nextId('k'), by: { user: by, shown }, text: readable(text), under, at: at ?? new Date().toISOString(), version: 1, gone: false };
    photo.comments.push(comment);
    if (by !== ACCOUNT) {
        tell('comment-new', photo, comment, comment.at);
    }
    return comment;
}

function tell(kind, photo, comment, at) {
    const above = photo.comments.find((other) => other.id === comment.under);
    service.emit(ACCOUNT, kind, { photo: { id: photo.id, caption: photo.caption }, comment, under_ours: above?.by.user === ACCOUNT }, at);
}

function addMessage({ with: person, shown, text, ours, at }) {
    const message = { id: service.nextId('m'), person: { user: person, shown: shown ?? person }, text: readable(text), ours, at: at ?? new Date().toISOString(), version: 1, gone: false };
    (data.talks[person] ??= []).push(message);
    if (!ours) {
        service.emit(ACCOUNT, 'talk-message', { message }, message.at);
    }
    return message;
}

service.on('GET', '/v1/photos', () => ({ photos: data.photos.map(({ id, caption }) => ({ id, caption })) }));
service.on('POST', '/v1/photos', ({ account, body, headers }) => service.once({ account, headers }, () => {
    const photo = { id: service.nextId('f'), caption: readable(body.caption), comments: [] };
    data.photos.push(photo);
    return photo;
}));
service.on('POST', '/v1/photos/:id/comments', ({ account, id, body, headers }) => service.once({ account, headers }, () => addComment({ photo: id, by: ACCOUNT, shown: 'Brindle Kite Works', text: body.text, under: body.under ?? null })));
service.on('POST', '/v1/talks/:person', ({ account, person, body, headers }) => service.once({ account, headers }, () => addMessage({ with: person, text: body.text, ours: true })));
service.on('PUT', '/v1/comments/:id/like', ({ id }) => {
    const comment = data.photos.flatMap((photo) => photo.comments).find((one) => one.id === id) ?? refuse(404, 'unknown_comment', `There is no comment ${id}.`);
    comment.liked = true;
    return comment;
});

const photos = () => data.photos.map(({ id }) => id);
service.act('comment', 'Comment under a photo', () => [['photo', 'Photo', { options: photos() }], ['by', 'User', { value: 'karindahl' }], ['shown', 'Shown name', { value: 'Karin Dahl' }], ['text', 'Text', { area: true }], ['under', 'Under (id of a comment)']], ({ photo, by, shown, text, under, at }) => addComment({ photo: photo || 'f1', by, shown: shown || by, text, under: under || null, at }));
service.act('message', 'Write a direct message', [['by', 'User', { value: 'karindahl' }], ['shown', 'Shown name', { value: 'Karin Dahl' }], ['text', 'Text', { area: true }]], ({ by, shown, text, at }) => addMessage({ with: by, shown: shown || by, text, ours: false, at }));
service.act('edit', 'Change or remove a comment', [['id', 'Its id'], ['text', 'New text (empty: remove it)', { area: true }]], ({ id, text }) => {
    const photo = data.photos.find((one) => one.comments.some((comment) => comment.id === id)) ?? refuse(404, 'unknown_comment', `There is no comment ${id}.`);
    const comment = photo.comments.find((one) => one.id === id);
    if (text) {
        comment.text = readable(text);
    } else {
        comment.gone = true;
    }
    comment.version += 1;
    tell(comment.gone ? 'comment-gone' : 'comment-changed', photo, comment);
    return comment;
});
service.describe = () => `<h2>Comments</h2>${table(['Photo', 'Id', 'By', 'Text'], data.photos.flatMap((photo) => photo.comments.map((comment) => [photo.caption, comment.id, comment.by.user, comment.gone ? '(gone)' : comment.text])).reverse())}
<h2>Direct messages</h2>${table(['With', 'Id', 'From', 'Text'], Object.entries(data.talks).flatMap(([person, messages]) => messages.map((message) => [person, message.id, message.ours ? 'the store' : person, message.text])).reverse())}`;
service.listen();
