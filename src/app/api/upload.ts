/** A body that is a file on its way, under an id that its sender chose, so that its progress can be asked for. */
import 'server-only';
import { cut } from '@/engine/base';
import { AppError } from '@/platform/use/app-error';
import { type Upload } from '@/platform/use/tracked-import';

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;

export function uploadOf(request: Request, id: string, unnamed: string): Upload {
  if (!UUID.test(id)) throw new AppError('invalid', 'The import needs an id of its own.');
  const length = Number(request.headers.get('content-length'));
  const name = new URL(request.url).searchParams.get('name') ?? unnamed;
  return {
    id,
    fileName: cut(name, 200),
    bytesTotal: Number.isSafeInteger(length) && length > 0 ? length : null,
    // Nothing at all was sent: a file without anything in it, not one that is still on its way.
    source: request.body ?? new Blob([]).stream(),
  };
}
