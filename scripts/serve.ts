/** ./run serve: the application for real use, without demo data. PORT, HOST, DATABASE_URL, WICK_DATA, WICK_HOSTS. */
import { ensureBuilt } from './lib/build';
import { main } from './lib/say';
import { serve } from './lib/serve';

main(() => serve({ command: 'serve', mode: 'start', demo: false, beforeStart: ensureBuilt }));
