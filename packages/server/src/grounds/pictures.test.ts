// Pictures from the air under a chart.
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, emailOf, type Harness, startHarness } from '../testing/harness';
import { smallPhoto } from '../testing/smallPhoto';
import { pictureBody } from '../testing/validBodies';

let h: Harness;
let captain: Client;
let mate: Client;
let waterId: string;
beforeAll(async () => {
  h = await startHarness();
  captain = await h.signIn(emailOf(h.mine, 'captain'));
  mate = await h.signIn(emailOf(h.mine, 'mate'));
  waterId = h.mine.waters[0]?.id as string;
});
afterAll(() => h.close());
const store = (who: Client, more: object = {}) => who.post(`/waters/${waterId}/pictures`, { ...pictureBody(h.mine), ...more });
const list = async (who = mate) => (await who.get(`/waters/${waterId}/pictures`)).body as { id: string; name: string }[];

describe('a picture from the air', () => {
  it('is kept with its place, once, and shown to the whole crew', async () => {
    const { data, ...view } = pictureBody(h.mine);
    expect((await captain.post(`/waters/${waterId}/pictures`, { ...view, data })).body).toEqual(view);
    // Sent again after the answer was lost.
    expect((await captain.post(`/waters/${waterId}/pictures`, { ...view, data, name: 'Again' })).body.name).toBe('From above');
    expect(await list()).toEqual([view]);
    const bytes = Buffer.from((await mate.get(`/pictures/${view.id}`)).body.data, 'base64');
    expect(bytes.subarray(0, 2).toString('hex')).toBe('ffd8');
    expect(bytes.length).toBeLessThanOrEqual(smallPhoto().length);
    expect((await captain.post(`/pictures/${view.id}/remove`)).status).toBe(200);
    expect(await list()).toEqual([]);
    expect((await mate.get(`/pictures/${view.id}`)).status).toBe(404);
  });
  it('is a captain’s to add and to take away', async () => {
    expect((await store(mate)).status).toBe(403);
    const { id } = (await store(captain)).body;
    expect((await mate.post(`/pictures/${id}/remove`)).status).toBe(403);
    await captain.post(`/pictures/${id}/remove`);
  });
  it('is refused far from the water, when it is no picture, or in place of another', async () => {
    expect((await store(captain, { lat: [10, 0, -0.0001] })).body).toMatchObject({ code: 'invalid', fields: [{ field: 'lon' }] });
    expect((await store(captain, { data: Buffer.from('no picture at all '.repeat(9)).toString('base64') })).body).toMatchObject({
      code: 'invalid',
      fields: [{ field: 'data' }],
    });
    expect((await store(captain, { widthPx: 9000 })).status).toBe(400);
    const { id } = (await store(captain)).body;
    const other = h.mine.waters[1]?.id;
    if (other) expect((await captain.post(`/waters/${other}/pictures`, { ...pictureBody(h.mine), id })).status).toBe(409);
    await captain.post(`/pictures/${id}/remove`);
  });
  it('is one of eight at most', async () => {
    for (let i = 0; i < 8; i++) expect((await store(captain, { id: randomUUID() })).status).toBe(200);
    expect((await store(captain)).body).toMatchObject({ code: 'too_large', detail: expect.stringContaining('8 pictures') });
  });
});
