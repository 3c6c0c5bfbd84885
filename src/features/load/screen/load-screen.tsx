/** Load as a view of the design: what the month costs over what varies, and what it is stated by. */
'use client';
import { useSearchParams } from 'next/navigation';
import { DesignBody } from '@/features/design/screen/design-body';
import { useRoom } from '@/features/design/screen/room';
import { CurveView } from './curve-view';
import { DriversMargin } from './drivers-margin';
import { FameView } from './fame-view';
import { MapView } from './map-view';
import { readLoadAddress, writeLoadAddress, type LoadAddress } from './load-address';
import { ReadyView } from './ready-view';
import { WaysToLook } from './ways-to-look';

export function LoadScreen() {
  const { id, state } = useRoom();
  const asked = useSearchParams();
  const address = readLoadAddress(asked, state.design);
  // The server has nothing to add: the address changes at once, and can be sent to someone. What is changed is the address
  // as it stands now: two changes may come before the first one is drawn.
  const go = (change: Partial<LoadAddress>): void => {
    const now = readLoadAddress(new URLSearchParams(window.location.search), state.design);
    window.history.replaceState(null, '', `/designs/${id}/load${writeLoadAddress({ ...now, ...change })}`);
  };
  return (
    <DesignBody margin={<DriversMargin />}>
      <div className="flex min-w-0 flex-1 flex-col">
        <WaysToLook {...{ id, address }} />
        {address.view === 'curve' && <CurveView {...{ address, go }} />}
        {address.view === 'ready' && <ReadyView {...{ address, go }} />}
        {address.view === 'map' && <MapView {...{ address, go }} />}
        {address.view === 'fame' && <FameView {...{ address }} />}
      </div>
    </DesignBody>
  );
}
