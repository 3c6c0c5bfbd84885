/** The inventory of a fleet that is there already, brought in again. */
'use client';
import { useFleet } from '../room-context';
import { BringScreen } from './bring-screen';

export function AgainScreen() {
  const { id, plan, machines } = useFleet();
  return <BringScreen again={{ id, title: plan.title, machines }} />;
}
