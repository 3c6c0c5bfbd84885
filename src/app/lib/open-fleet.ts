/** A fleet for pages: asked for by the frame and by each view, read once a request. */
import 'server-only';
import { cache } from 'react';
import { context } from '@/app/wiring';
import { openFleet } from '@/features/fleet/use/fleets';
import { orNotFound } from './or-not-found';

export const openedFleet = cache((id: string) => orNotFound(openFleet(context(), id)));
