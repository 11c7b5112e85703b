import { Outbox, type WaitingHoldOrNot } from './outbox.ts';

function store(): {
  getItem: (key: string) => string | null;
  setItem: (key: string, value: string) => void;
  kept: Map<string, string>;
} {
  const kept = new Map<string, string>();
  return {
    kept,
    getItem: (key) => kept.get(key) ?? null,
    setItem: (key, value) => void kept.set(key, value),
  };
}

const entry = (id: string): WaitingHoldOrNot => ({
  id,
  kind: 'hold',
  sessionId: 's',
  accountId: 'a',
  body: {
    load: 100,
    seconds: 10,
    target: 10,
    ended: 'stopped',
    grip: 'hook',
    chalk: 'block',
    doneAt: '2026-11-24T11:00:00Z',
  },
});

describe('Outbox', () => {
  it('keeps entries in order over a reload', () => {
    const disk = store();
    const before = new Outbox(disk);
    before.add(entry('1'));
    before.add(entry('2'));
    expect(new Outbox(disk).all().map((each) => each.id)).toEqual(['1', '2']);
  });

  it('a hold taken back while it is on its way still has to be taken back on the server', () => {
    const box = new Outbox(store());
    const sent = entry('1');
    box.add(sent);
    box.add({ ...sent, body: null });
    box.acknowledge(sent);
    expect(box.all()).toEqual([{ ...sent, body: null }]);
    box.acknowledge({ ...sent, body: null });
    expect(box.all()).toEqual([]);
  });

  it('gives a session the same list until one of its own entries changes', () => {
    const box = new Outbox(store());
    box.add(entry('1'));
    box.add({ ...entry('2'), sessionId: 'other' });
    const before = box.of('s', 'a');
    expect(before.map((each) => each.id)).toEqual(['1']);
    box.add({ ...entry('3'), sessionId: 'other' });
    expect(box.of('s', 'a')).toBe(before);
    expect(box.of('s', 'somebody else')).toEqual([]);
    box.add(entry('4'));
    expect(box.of('s', 'a').map((each) => each.id)).toEqual(['1', '4']);
  });

  it('keeps a refused entry with its reason until it is removed', () => {
    const box = new Outbox(store());
    box.add(entry('1'));
    box.refuse('1', 'Seconds must be a number.');
    expect(box.all()).toEqual([{ ...entry('1'), refused: 'Seconds must be a number.' }]);
    box.remove('1');
    expect(box.all()).toEqual([]);
  });

  it('deciding on an entry loses nothing that another tab wrote meanwhile', () => {
    const disk = store();
    const [here, there] = [new Outbox(disk), new Outbox(disk)];
    const set = { id: '1', kind: 'set' as const, sessionId: 's', accountId: 'a', body: null };
    here.add(set);
    here.refuse('1', 'Another device logged this set.', { id: 'theirs' } as never);
    there.add(entry('2'));
    here.insist('1');
    expect(here.all().map((each) => each.id)).toEqual(['2', 'theirs', '1']);
    there.add(entry('3'));
    here.insist('nobody');
    expect(here.all().map((each) => each.id)).toEqual(['2', 'theirs', '1', '3']);
  });

  it('does not lose what another tab wrote meanwhile', () => {
    const disk = store();
    const [here, there] = [new Outbox(disk), new Outbox(disk)];
    here.add(entry('1'));
    there.add(entry('2'));
    here.refresh();
    expect(here.all().map((each) => each.id)).toEqual(['1', '2']);
  });

  it('tells listeners, and gives the same list until something changes', () => {
    const box = new Outbox(store());
    let told = 0;
    const stop = box.subscribe(() => (told += 1));
    expect(box.all()).toBe(box.all());
    box.add(entry('1'));
    stop();
    box.remove('1');
    expect(told).toBe(1);
  });

  it('still sends what a full device cannot store, and stores again once there is room', () => {
    const disk = store();
    let full = true;
    const box = new Outbox({
      getItem: disk.getItem,
      setItem: (key, value) => {
        if (full) throw new Error('QuotaExceededError');
        disk.setItem(key, value);
      },
    });
    box.add(entry('1'));
    box.add(entry('2'));
    expect(box.all().map((each) => each.id)).toEqual(['1', '2']);
    full = false;
    box.remove('1');
    expect(new Outbox(disk).all().map((each) => each.id)).toEqual(['2']);
  });

  it('starts empty on a store that holds rubbish', () => {
    const disk = store();
    disk.kept.set('iron-clasp.outbox', '{broken');
    expect(new Outbox(disk).all()).toEqual([]);
  });

  it('reads what an older version of the page left as the holds they were', () => {
    const disk = store();
    const { kind: _kind, ...old } = entry('1');
    disk.setItem('iron-clasp.outbox', JSON.stringify([old]));
    expect(new Outbox(disk).all()).toEqual([entry('1')]);
  });

  it('ours against another device’s: theirs is taken back first, then ours is sent again', () => {
    const box = new Outbox(store());
    const body = {
      plannedSetId: 'p',
      load: 60,
      reps: 3,
      grip: 'hook',
      strapped: false,
      chalk: 'block',
    } as const;
    const ours = {
      id: 'ours',
      kind: 'set',
      sessionId: 's',
      accountId: 'a',
      body: { ...body, doneAt: '' },
    } as const;
    const other = {
      ...body,
      id: 'theirs',
      style: 'reset',
      ...{ seconds: null, diameter: 29, sideUnder: null },
      slippedAtRep: null,
      pain: null,
      confidence: null,
      cause: null,
      signs: [],
      note: null,
      doneAt: '',
    } as const;
    box.add(ours);
    box.refuse('ours', 'logged already', other);
    expect(box.all()[0]).toMatchObject({ refused: 'logged already', other: { id: 'theirs' } });
    box.insist('ours');
    expect(box.all()).toEqual([
      { id: 'theirs', kind: 'set', sessionId: 's', accountId: 'a', body: null },
      ours,
    ]);
  });
});
