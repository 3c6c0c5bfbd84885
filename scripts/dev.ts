/** ./run dev: the application with live reloading, on the same data as the demo. */
import { main } from './lib/say';
import { serve } from './lib/serve';

main(() => serve({ command: 'dev', mode: 'dev', demo: true, beforeStart: () => Promise.resolve() }));
