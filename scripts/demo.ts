/** ./run demo: everything from nothing to the demo design in the browser. */
import { ensureBuilt } from './lib/build';
import { main } from './lib/say';
import { serve } from './lib/serve';

main(() => serve({ command: 'demo', mode: 'start', demo: true, beforeStart: ensureBuilt }));
