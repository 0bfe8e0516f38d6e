import './htmx.js';
import { listenToCompose } from './compose.js';
import { listenToKeys } from './keys.js';
import { listenToMenus } from './menus.js';
import { listenToForms } from './forms.js';
import { listenToDrafts } from './drafts.js';
import { showLatest } from './trail.js';
import { listenToDialogs } from './dialogs.js';
import { listenToBoard } from './board.js';
import { listenToGoTo } from './go-to.js';
import { listenToPicking } from './picking.js';
import { listenToPresence } from './presence.js';
import { listenToFiles } from './files.js';
import { listenToRichText } from './rich-text.js';
import { listenToTemplates } from './templates.js';
import { listenToPlaceholders } from './placeholders.js';
import { listenToRules } from './rules.js';
import { listenToLines } from './lines.js';

listenToMenus();
listenToCompose();
listenToKeys();
listenToForms();
listenToDrafts();
showLatest();
listenToDialogs();
listenToBoard();
listenToGoTo();
listenToPicking();
listenToPresence();
listenToFiles();
listenToRichText();
listenToTemplates();
listenToPlaceholders();
listenToRules();
listenToLines();

// Until here a pressed key would have gone nowhere.
document.documentElement.dataset.listens = 'yes';
