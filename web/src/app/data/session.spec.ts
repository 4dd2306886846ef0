import { HttpClient, provideHttpClient, withInterceptors } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { PAGE_HEADER } from '@odd-corner/contract';
import { Api } from './api';
import { PAGE_ID } from './page-id';
import { Session } from './session';
import { sessionInterceptor } from './session-interceptor';

describe('a workshop with a passphrase', () => {
  const refused = { status: 401, statusText: 'Unauthorized' };
  const settle = async (ms = 60): Promise<void> => {
    for (let k = 0; k < 3; k++) {
      await new Promise((resolve) => setTimeout(resolve, ms / 3));
      TestBed.tick();
    }
  };
  const begin = () => {
    TestBed.configureTestingModule({
      providers: [provideHttpClient(withInterceptors([sessionInterceptor])), provideHttpClientTesting()],
    });
    const http = TestBed.inject(HttpTestingController);
    return { http, api: TestBed.inject(Api), session: TestBed.inject(Session) };
  };
  const dialogs = (): NodeListOf<Element> => document.querySelectorAll('mat-dialog-container');
  const type = async (passphrase: string): Promise<void> => {
    const field = document.querySelector<HTMLInputElement>('mat-dialog-container input')!;
    field.value = passphrase;
    field.dispatchEvent(new Event('input'));
    document.querySelector('mat-dialog-container form')!.dispatchEvent(new Event('submit', { cancelable: true }));
    await settle();
  };

  it('asks once for all that wait, says what was wrong, and sends everything again when it was right', async () => {
    const { http, api, session } = begin();
    const got: string[] = [];
    api.call('settings').subscribe({ next: () => got.push('settings'), error: () => got.push('failed') });
    api.call('hands', {}).subscribe({ next: () => got.push('hands'), error: () => got.push('failed') });
    api.call('removeThing', { id: 'x' }).subscribe({ next: () => got.push('removed') });
    for (const request of http.match(() => true)) request.flush(null, refused);
    await settle(300);
    expect(dialogs()).toHaveLength(1);
    await type('');
    expect(dialogs()[0].textContent).toContain('Type the passphrase.');
    http.expectNone('/api/access');
    await type('a wrong one');
    const message = 'That is not the passphrase of this workshop.';
    http.expectOne('/api/access').flush(
      {
        type: 'about:blank',
        title: 'Not allowed',
        status: 403,
        detail: message,
        issues: [{ path: ['passphrase'], message }],
      },
      { status: 403, statusText: 'Forbidden' },
    );
    await settle();
    expect(dialogs()[0].textContent).toContain(message);
    await type('a guess too many');
    http.expectOne('/api/access').flush(
      {
        type: 'about:blank',
        title: 'Too often',
        status: 429,
        detail: 'Too many wrong passphrases. Wait 4 seconds, then try again.',
      },
      { status: 429, statusText: 'Too Many Requests' },
    );
    await settle();
    expect(dialogs()[0].textContent).toContain('Wait 4 seconds');
    await type('low tide at seven');
    const signIn = http.expectOne('/api/access');
    expect(signIn.request.body).toEqual({ passphrase: 'low tide at seven' });
    signIn.flush({ role: 'guest', asked: true });
    await settle(600);
    expect(dialogs()).toHaveLength(0);
    expect([session.guest(), session.inside()]).toEqual([true, true]);
    expect(got).toEqual([]);
    http.expectOne('/api/hands').flush({ rows: [], broken: [], total: 0, next: null });
    http.expectOne('/api/things/x').flush(null);
    expect(got).toEqual(['hands', 'removed']);
    http.expectOne('/api/settings');
  });

  it('says of each change which page it is from, and nothing of it when only looking', () => {
    const { http } = begin();
    const client = TestBed.inject(HttpClient);
    client.get('/api/papers').subscribe();
    client.post('/api/papers', {}).subscribe();
    const [get, post] = http.match('/api/papers').map(({ request }) => request.headers.get(PAGE_HEADER));
    expect([get, post]).toEqual([null, PAGE_ID]);
  });

  it('is nobody’s until the server has said who is here', () => {
    const { http, session } = begin();
    session.read();
    expect([session.inside(), session.guest()]).toEqual([false, false]);
    http.expectOne('/api/access').flush({ role: null, asked: true });
    expect(session.inside()).toBe(false);
    session.read();
    http.expectOne('/api/access').flush({ role: 'owner', asked: false });
    expect(session.inside()).toBe(true);
  });
});
