import 'fake-indexeddb/auto';
import { jest } from '@jest/globals';
import { IDBFactory } from 'fake-indexeddb';
import type { LogHoldRequest, LogSetRequest } from '@iron-clasp/contract';
import { asRequest, LEFT_KEY, Outbox, type ToSend, type Waiting } from './outbox.ts';
import type { Channel } from './queue.ts';

/** Tabs of one browser: what one says, the others hear. */
function tabs(): () => Channel {
  const all: { readonly own: object; readonly hear: () => void }[] = [];
  return () => {
    const own = {};
    return {
      addEventListener: (_type: string, hear: () => void) => void all.push({ own, hear }),
      postMessage: () => all.filter((each) => each.own !== own).forEach(({ hear }) => hear()),
    } as unknown as Channel;
  };
}

let tab: () => Channel;
beforeEach(() => {
  globalThis.indexedDB = new IDBFactory();
  tab = tabs();
});

async function opened(): Promise<Outbox> {
  const box = new Outbox('test', tab());
  await box.open();
  return box;
}

const BODY: LogHoldRequest = {
  load: 100,
  seconds: 10,
  target: 10,
  ended: 'stopped',
  grip: 'hook',
  chalk: 'block',
  doneAt: '2026-11-24T11:00:00Z',
};
const entry = (id: string, sessionId = 's'): Waiting & { kind: 'hold' } =>
  asRequest({ id, kind: 'hold', sessionId, accountId: 'a', body: BODY }) as Waiting & { kind: 'hold' };
const back = (id: string): Waiting =>
  asRequest({ id, kind: 'hold', sessionId: 's', accountId: 'a', body: null });
const ids = (box: Outbox): readonly string[] => box.all().map((each) => each.id);

/** What a later page finds on the device. */
async function onDevice(): Promise<readonly Waiting[]> {
  return (await opened()).all();
}

describe('what is logged on this device', () => {
  it('is the request that the server is asked for', () => {
    const of = { id: 'i', sessionId: 's', lifterId: 'l', testId: 't', accountId: 'a' };
    const request = (kind: string, body: object | null): string => {
      const { method, path } = asRequest({ ...of, kind, body } as unknown as ToSend);
      return `${method} ${path}`;
    };
    expect(request('set', {})).toBe('PUT /sessions/s/sets/i');
    expect(request('set', null)).toBe('DELETE /sets/i');
    expect(request('hold', {})).toBe('PUT /sessions/s/holds/i');
    expect(request('hold', null)).toBe('DELETE /holds/i');
    expect(request('extra', {})).toBe('PUT /sessions/s/extra-sets/i');
    expect(request('hands', {})).toBe('PUT /lifters/l/hands-checks/i');
    expect(request('squeeze', {})).toBe('PUT /lifters/l/squeeze-tests/i');
    expect(request('easing', {})).toBe('PUT /squeeze-tests/t/easing');
  });

  it('is seen at once, and there in order after a reload', async () => {
    const before = await opened();
    before.add(entry('1'));
    before.add(entry('2'));
    before.add(entry('3'));
    expect(ids(before)).toEqual(['1', '2', '3']);
    await before.settled();
    expect(await onDevice()).toEqual([entry('1'), entry('2'), entry('3')]);
  });

  it('taken back while it is on its way, still has to be taken back on the server', async () => {
    const box = await opened();
    const sent = entry('1');
    box.add(sent);
    box.add(back('1'));
    box.acknowledge(sent);
    expect(box.all()).toEqual([back('1')]);
    await box.settled();
    expect(await onDevice()).toEqual([back('1')]);
    box.acknowledge(back('1'));
    expect(box.all()).toEqual([]);
    await box.settled();
    expect(await onDevice()).toEqual([]);
  });

  it('acknowledged and put anew in one breath, stays', async () => {
    const box = await opened();
    box.add(entry('1'));
    await box.settled();
    box.acknowledge(entry('1'));
    box.add(back('1'));
    await box.settled();
    expect(await onDevice()).toEqual([back('1')]);
  });

  it('gives a session the same list until one of its own entries changes, over writing too', async () => {
    const box = await opened();
    box.add(entry('1'));
    box.add(entry('2', 'other'));
    const before = box.of('s', 'a');
    expect(before.map((each) => each.id)).toEqual(['1']);
    box.add(entry('3', 'other'));
    await box.settled();
    expect(box.of('s', 'a')).toBe(before);
    expect(box.of('s', 'somebody else')).toEqual([]);
    box.add(entry('4'));
    expect(box.of('s', 'a').map((each) => each.id)).toEqual(['1', '4']);
  });

  it('is kept with the reason of a refusal until it is removed', async () => {
    const box = await opened();
    box.add(entry('1'));
    box.refuse('1', 'Seconds must be a number.');
    const refused = { ...entry('1'), refused: 'Seconds must be a number.' };
    expect(box.all()).toEqual([refused]);
    await box.settled();
    expect(await onDevice()).toEqual([refused]);
    box.remove('1');
    box.refuse('1', 'too late');
    await box.settled();
    expect(await onDevice()).toEqual([]);
  });

  it('tells listeners, and gives the same list until something changes', async () => {
    const box = await opened();
    let told = 0;
    const stop = box.subscribe(() => (told += 1));
    expect(box.all()).toBe(box.all());
    box.add(entry('1'));
    await box.settled();
    stop();
    box.remove('1');
    expect(told).toBe(1);
  });
});

describe('two tabs', () => {
  it('lose nothing that the other wrote, and each is told', async () => {
    const [here, there] = [await opened(), await opened()];
    let told = 0;
    here.onOthers(() => (told += 1));
    here.add(entry('1'));
    there.add(entry('2'));
    await Promise.all([here.settled(), there.settled()]);
    await Promise.all([here.settled(), there.settled()]);
    expect([...ids(here)].sort()).toEqual(['1', '2']);
    expect([...ids(there)].sort()).toEqual(['1', '2']);
    expect(told).toBe(1);
  });

  it('deciding on an entry loses nothing that the other wrote meanwhile', async () => {
    const [here, there] = [await opened(), await opened()];
    here.say({ id: '1', kind: 'set', sessionId: 's', accountId: 'a', body: null });
    here.refuse('1', 'Another device logged this set.', { id: 'theirs' } as never);
    await here.settled();
    there.add(entry('2'));
    await there.settled();
    here.insist('1');
    await here.settled();
    expect(ids(here)).toEqual(['2', 'theirs', '1']);
    here.insist('nobody');
    expect(ids(here)).toEqual(['2', 'theirs', '1']);
    await there.settled();
    expect(ids(there)).toEqual(['2', 'theirs', '1']);
  });
});

describe('against another device', () => {
  it('ours stands: theirs is taken back first, then ours is sent again', async () => {
    const box = await opened();
    const body: LogSetRequest = {
      plannedSetId: 'p',
      load: 60,
      reps: 3,
      grip: 'hook',
      strapped: false,
      chalk: 'block',
      doneAt: '',
    };
    const ours = asRequest({ id: 'ours', kind: 'set', sessionId: 's', accountId: 'a', body });
    box.add(ours);
    box.refuse('ours', 'logged already', { id: 'theirs' } as never);
    expect(box.all()[0]).toMatchObject({ refused: 'logged already', other: { id: 'theirs' } });
    box.insist('ours');
    const theirs = asRequest({ id: 'theirs', kind: 'set', sessionId: 's', accountId: 'a', body: null });
    expect(box.all()).toEqual([theirs, ours]);
    await box.settled();
    expect(await onDevice()).toEqual([theirs, ours]);
  });
});

describe('a device', () => {
  it('that is full still sends, says so, and stores again once there is room', async () => {
    const box = await opened();
    const put = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    box.add(entry('1'));
    box.add(entry('2'));
    await box.settled();
    expect(ids(box)).toEqual(['1', '2']);
    expect(box.unsaved()).toBe(true);
    expect(await onDevice()).toEqual([]);
    put.mockRestore();
    box.remove('1');
    await box.settled();
    expect(box.unsaved()).toBe(false);
    expect(await onDevice()).toEqual([entry('2')]);
  });

  it('without a database goes on, and says that nothing is kept', async () => {
    jest.spyOn(globalThis.indexedDB, 'open').mockImplementation(() => {
      throw new DOMException('blocked', 'SecurityError');
    });
    const box = await opened();
    expect(box.unsaved()).toBe(false);
    box.add(entry('1'));
    await box.settled();
    expect(ids(box)).toEqual(['1']);
    expect(box.unsaved()).toBe(true);
  });
});

describe('what an earlier version of the page left', () => {
  const left = (text: string): Pick<Storage, 'getItem' | 'removeItem'> & { text: string | null } => ({
    text,
    getItem(key: string) {
      return key === LEFT_KEY ? this.text : null;
    },
    removeItem() {
      this.text = null;
    },
  });

  it('is sent as the requests that they were, the oldest as the holds they were', async () => {
    const { scope: _s, method: _m, path: _p, ...set } = back('2');
    const { scope: _t, method: _n, path: _q, kind: _k, ...hold } = entry('1');
    const store = left(JSON.stringify([hold, set]));
    const box = await opened();
    await box.inherit(store);
    expect(box.all()).toEqual([entry('1'), back('2')]);
    expect(store.text).toBeNull();
    await box.inherit(store);
    expect(await onDevice()).toEqual([entry('1'), back('2')]);
  });

  it('stays where it is while the device has no room for it anew', async () => {
    const { scope: _s, method: _m, path: _p, ...hold } = entry('1');
    const store = left(JSON.stringify([hold]));
    const box = await opened();
    const put = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    await box.inherit(store);
    put.mockRestore();
    expect(ids(box)).toEqual(['1']);
    expect(store.text).not.toBeNull();
  });

  it('that is rubbish is passed over', async () => {
    const box = await opened();
    await box.inherit(left('{broken'));
    expect(box.all()).toEqual([]);
  });
});
