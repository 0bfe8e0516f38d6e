import './htmx.js';
import { listenToKeys } from './keys.js';
import { listenToMenus } from './menus.js';
import { listenToForms } from './forms.js';
import { showLatest } from './trail.js';
import { listenToDialogs } from './dialogs.js';
import { listenToBoard } from './board.js';
import { listenToGoTo } from './go-to.js';
import { listenToPicking } from './picking.js';

listenToKeys();
listenToMenus();
listenToForms();
showLatest();
listenToDialogs();
listenToBoard();
listenToGoTo();
listenToPicking();
