/** The application or the database is killed right after an edit is acknowledged: nothing acknowledged is lost. */
import fs from 'node:fs';
import { demoHome } from '@tests/support/demo-home';
import { type Application, startApplication } from '../../scripts/lib/application';
import { type Cluster, startCluster } from '../../scripts/lib/cluster';
import { freePort } from '../../scripts/lib/ports';
import { expect, test } from '@playwright/test';

const DESIGN = '00000000-0000-4000-8000-000000000101';

test.describe('killed in the middle', () => {
  test.setTimeout(180_000);
  let home: string;
  let cluster: Cluster;
  let application: Application;

  test.beforeAll(async () => {
    home = await demoHome('kill');
    cluster = await startCluster(home, { durable: true });
    application = await startApplication({
      port: await freePort(),
      databaseUrl: cluster.url,
      mode: 'start',
      quiet: true,
    });
  });
  test.afterAll(async () => {
    await application.stop();
    cluster.stop();
    fs.rmSync(home, { recursive: true, force: true });
  });

  const send = (baseRevision: number, count: string) =>
    fetch(`${application.address}/api/designs/${DESIGN}/edits`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'sec-fetch-site': 'same-origin' },
      body: JSON.stringify({
        baseRevision,
        batch: crypto.randomUUID(),
        edits: [{ edit: 'set-component', id: 's1c1', field: 'count', value: { likely: count } }],
      }),
    });
  const countNow = async (): Promise<string> => {
    const answer = await fetch(`${application.address}/api/designs/${DESIGN}/export?form=json`);
    const file = (await answer.json()) as {
      design: { sections: { components: { count: { likely: string } }[] }[] };
    };
    return file.design.sections[0]!.components[0]!.count.likely;
  };
  const gone = (pid: number): Promise<void> =>
    expect
      .poll(
        () =>
          fs.existsSync(`/proc/${pid}`) &&
          !/\nState:\s+Z/.test(fs.readFileSync(`/proc/${pid}/status`, 'utf8')),
      )
      .toBe(false);

  test('the application', async () => {
    expect((await send(0, '11')).status).toBe(200);
    application.child.kill('SIGKILL');
    await gone(application.child.pid!);
    application = await startApplication({
      port: await freePort(),
      databaseUrl: cluster.url,
      mode: 'start',
      quiet: true,
    });
    expect(await countNow()).toBe('11');
  });

  test('the database; started again, both go on with what was acknowledged', async () => {
    expect((await send(1, '12')).status).toBe(200);
    const pid = cluster.pid();
    process.kill(pid, 'SIGKILL');
    await gone(pid);
    const refused = await send(2, '13');
    expect(refused.status).toBe(503);
    expect(await refused.text()).toContain('The database does not answer. Nothing was changed');
    await application.stop();
    cluster = await startCluster(home, { durable: true });
    application = await startApplication({
      port: await freePort(),
      databaseUrl: cluster.url,
      mode: 'start',
      quiet: true,
    });
    expect(await countNow()).toBe('12');
    expect((await send(2, '14')).status).toBe(200);
    expect(await countNow()).toBe('14');
  });

  test('the database; a page asked for meanwhile says so, and is there when it is asked for again', async ({
    page,
  }) => {
    cluster.stop();
    await page.goto(`${application.address}/designs/${DESIGN}/report`);
    const again = page.getByRole('button', { name: 'Try again' });
    await expect(again).toBeVisible();
    await cluster.revive();
    await again.click();
    await expect(page.getByRole('article')).toContainText('Booking database');
  });
});
