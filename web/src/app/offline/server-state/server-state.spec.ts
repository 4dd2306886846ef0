import { TestBed } from '@angular/core/testing';
import { aMake, PageBench } from '../../testing/bench';
import { Outbox } from '../outbox';
import { ServerState } from './server-state';

describe('the state of the server', () => {
  it('is said only when something is wrong: what waits, and what was not taken, with what can be done', async () => {
    const b = new PageBench(ServerState, {});
    await b.settle(30);
    expect(b.text.trim()).toBe('');
    const outbox = TestBed.inject(Outbox);
    const body = { copies: [{ entryKey: 'tray', copy: 0, done: ['half'], seconds: 4 }] };
    await outbox.keep('addProgress', { id: aMake().id, body }, 'folding, to step 1');
    await b.settle(30);
    expect(b.text).toContain('1 entry waits for it on this device.');
    b.button('Send it now').click();
    await b.settle(30);
    b.http
      .expectOne((request) => request.url.endsWith('/progress'))
      .flush(
        { type: 'x', title: 'Gone', status: 404, detail: 'No such make is here.' },
        { status: 404, statusText: 'x' },
      );
    await b.settle(30);
    expect(b.text).toContain('Not taken by the server (folding, to step 1): No such make is here.');
    b.button('Leave it out').click();
    await b.settle(30);
    expect(b.text.trim()).toBe('');
  });
});
