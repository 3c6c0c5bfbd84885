/** A design for pages: asked for by the frame and by each view, read once a request. */
import 'server-only';
import { cache } from 'react';
import { context } from '@/app/wiring';
import { openDesign } from '@/features/design/use/designs';
import { orNotFound } from './or-not-found';

export const openedDesign = cache((id: string) => orNotFound(openDesign(context(), id)));
