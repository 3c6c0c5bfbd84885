/** A file as a script takes it: at once, or followed as a job until it is there. */
export async function takeFile(origin: string, address: string): Promise<ArrayBuffer> {
  let answer = await fetch(`${origin}${address}`);
  const job = answer.headers.get('location');
  while (answer.status === 202 && job) {
    await new Promise((resolve) => setTimeout(resolve, 50));
    const state = (await (await fetch(`${origin}${job}`)).json()) as { state: string };
    if (state.state === 'done') answer = await fetch(`${origin}${job}/file`);
    else if (state.state !== 'waiting' && state.state !== 'running') break;
  }
  if (!answer.ok || answer.status === 202) throw new Error(`${address} was not written`);
  return answer.arrayBuffer();
}
