import { PageBench } from '../../testing/bench';
import { Session } from '../../data/session';
import { OpenElsewhere } from './open-elsewhere';

describe('opening the workshop on a phone', () => {
  const show = async (places: object): Promise<PageBench<OpenElsewhere>> => {
    const bench = new PageBench(OpenElsewhere);
    await bench.settle();
    bench.sent('GET', '/api/access/places').flush(places);
    await bench.settle();
    return bench;
  };

  it('shows its address as text and as a code, and says that it is not encrypted', async () => {
    const bench = await show({ addresses: ['http://192.168.1.20:4377', 'http://10.0.0.4:4377'], encrypted: false });
    expect(bench.text).toContain('http://192.168.1.20:4377');
    expect(bench.text).toContain('http://10.0.0.4:4377');
    const codes = bench.host.querySelectorAll('svg[role=img]');
    expect(codes).toHaveLength(1);
    const [, , wide, high] = codes[0].getAttribute('viewBox')!.split(' ').map(Number);
    // With its three finders, and a margin of two all round: the smallest code that holds it.
    expect(wide).toBe(high);
    const dark = new Set(
      [
        ...codes[0]
          .querySelector('path')!
          .getAttribute('d')!
          .matchAll(/M(\d+) (\d+)/g),
      ].map(([, x, y]) => `${x} ${y}`),
    );
    for (const [x, y] of [
      [2, 2],
      [wide - 9, 2],
      [2, high - 9],
    ])
      for (let k = 0; k < 7; k++) for (const at of [`${x + k} ${y}`, `${x} ${y + k}`]) expect(dark.has(at)).toBe(true);
    expect(dark.has(`${wide - 3} ${high - 3}`) && dark.has('0 0')).toBe(false);
    expect(bench.text).toContain('not encrypted');
  });

  it('says how to open it where it answers to its own machine alone, and nothing of encryption where there is some', async () => {
    expect((await show({ addresses: [], encrypted: false })).text).toContain('answers to this computer alone');
    const bench = await show({ addresses: ['https://192.168.1.20:4377'], encrypted: true });
    expect(bench.text).not.toContain('not encrypted');
    bench.fixture.debugElement.injector.get(Session).read();
    bench.sent('GET', '/api/access').flush({ role: 'guest', asked: true });
    await bench.settle();
    expect(bench.text).toContain('You are here as a guest.');
  });
});
