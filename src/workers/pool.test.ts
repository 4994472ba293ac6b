import { expose, wrap } from 'comlink';
import { Lane, type LiveWorker, type MakeWorker } from './lane';
import { Cancelled, Pool, WorkerLost, type Api } from './pool';

const pause = (ms: number) => new Promise((resume) => setTimeout(resume, ms));

/** A worker in this thread: the same messages through a real channel, and ways to hurt it. */
class HereWorker extends EventTarget {
  static made: HereWorker[] = [];
  ended = false;
  private readonly channel = new MessageChannel();
  readonly log: string[] = [];

  constructor() {
    super();
    HereWorker.made.push(this);
    const api = {
      say: async (words: string, ms = 0) => {
        this.log.push(words);
        await pause(ms);
        return words;
      },
      fail: async () => {
        throw new RangeError('it cannot be');
      },
      count: async (tell: (share: number) => void) => {
        for (const share of [0.5, 1]) await tell(share);
        return 'counted';
      },
    };
    expose(api, this.channel.port1 as never);
    this.channel.port1.start();
    this.channel.port2.start();
  }

  get port() {
    return this.channel.port2;
  }
  terminate() {
    this.ended = true;
    this.channel.port1.close();
    this.channel.port2.close();
  }
  die(message: string) {
    this.dispatchEvent(Object.assign(new Event('error'), { message }));
  }
}

interface TestApi {
  say: (words: string, ms?: number) => Promise<string>;
  fail: () => Promise<never>;
}
const make: MakeWorker = () => {
  const worker = new HereWorker();
  return { worker, remote: wrap(worker.port as never) } as unknown as LiveWorker;
};
const say =
  (words: string, ms = 0) =>
  (api: Api) =>
    (api as unknown as TestApi).say(words, ms);
const fail = (api: Api) => (api as unknown as TestApi).fail();

let lane: Lane;
beforeEach(() => {
  HereWorker.made = [];
  lane = new Lane(make);
});
afterEach(() => lane.end());

test('a worker is made when first asked and stays warm', async () => {
  expect(HereWorker.made).toHaveLength(0);
  expect(await lane.call(say('a'))).toBe('a');
  expect(await lane.call(say('b'))).toBe('b');
  expect(HereWorker.made).toHaveLength(1);
});

test('what is urgent goes first; of equals, the first', async () => {
  const all = [
    lane.call(say('running', 20)),
    lane.call(say('later 1'), { priority: 'later' }),
    lane.call(say('later 2'), { priority: 'later' }),
    lane.call(say('soon'), { priority: 'soon' }),
    lane.call(say('now'), { priority: 'now' }),
  ];
  await Promise.all(all);
  expect(HereWorker.made[0]!.log).toEqual(['running', 'now', 'soon', 'later 1', 'later 2']);
});

test('a question nobody waits for is not begun', async () => {
  const abort = new AbortController();
  const first = lane.call(say('first', 20));
  const second = lane.call(say('second'), { signal: abort.signal });
  abort.abort();
  await expect(second).rejects.toThrow(Cancelled);
  await first;
  await lane.call(say('third'));
  expect(HereWorker.made[0]!.log).toEqual(['first', 'third']);
  await expect(lane.call(say('x'), { signal: abort.signal })).rejects.toThrow(Cancelled);
});

test('an error thrown there arrives here with its words, and the worker lives on', async () => {
  await expect(lane.call(fail)).rejects.toThrow('it cannot be');
  expect(await lane.call(say('after'))).toBe('after');
  expect(HereWorker.made).toHaveLength(1);
});

// Found by review: an engine that failed left “busy” true for ever, and said nothing.
test('a worker that dies is told; what waited goes on with a new one', async () => {
  const running = lane.call(say('running', 10_000));
  const waiting = lane.call(say('waiting'));
  await pause(5);
  HereWorker.made[0]!.die('out of memory');
  await expect(running).rejects.toThrow(WorkerLost);
  await expect(running).rejects.toThrow('out of memory');
  expect(await waiting).toBe('waiting');
  expect(HereWorker.made).toHaveLength(2);
  expect(HereWorker.made[0]!.ended).toBe(true);
});

test('one that does not answer in time counts as dead', async () => {
  await expect(lane.call(say('slow', 10_000), { patienceMs: 20 })).rejects.toThrow(
    'stopped answering',
  );
  expect(await lane.call(say('after'))).toBe('after');
});

describe('the pool', () => {
  test('has a hand a processor, four at most, and lanes of its own for questions', async () => {
    expect(new Pool(make, 2).hands).toHaveLength(2);
    expect(new Pool(make, 64).hands).toHaveLength(4);
    const pool = new Pool(make, 1);
    const long = pool.ask(say('long', 60));
    const picture = pool.hands[0]!.call(say('picture'), { priority: 'now' });
    expect(await Promise.race([long, picture])).toBe('picture');
    await long;
  });
  test('two questions at once, the third behind the shorter line', async () => {
    const pool = new Pool(make, 1);
    const all = ['a', 'b', 'c'].map((words) => pool.ask(say(words, 10)));
    expect(await Promise.all(all)).toEqual(['a', 'b', 'c']);
    expect(HereWorker.made).toHaveLength(2);
  });
  test('lanes busy with what nobody waits for make room', async () => {
    const pool = new Pool(make, 1);
    const abort = new AbortController();
    const stale = ['a', 'b'].map((words) => pool.ask(say(words, 10_000), { signal: abort.signal }));
    await pause(5);
    abort.abort();
    for (const each of stale) await expect(each).rejects.toThrow(Cancelled);
    expect(await pool.ask(say('new'))).toBe('new');
    expect(HereWorker.made.some(({ ended }) => ended)).toBe(true);
  });
});
