/** A study for pages: asked for by the frame and by its title, read once a request. */
import 'server-only';
import { cache } from 'react';
import { context } from '@/app/wiring';
import { openStudy } from '@/features/own-or-rent/use/studies';
import { orNotFound } from './or-not-found';

export const openedStudy = cache((id: string) => orNotFound(openStudy(context(), id)));
