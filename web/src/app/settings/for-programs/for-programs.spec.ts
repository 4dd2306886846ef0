import { PageBench } from '../../testing/bench';
import { ForPrograms } from './for-programs';

describe('what the workshop answers to other programs', () => {
  const content = (schema: object): object => ({ content: { 'application/json': { schema } } });
  const described = {
    info: { description: 'A workshop.' },
    paths: {
      '/api/papers': {
        get: {
          ...{ operationId: 'papers', summary: 'Papers on the shelf', tags: ['papers'] },
          parameters: [{ name: 'search', in: 'query' }],
          responses: { '2XX': content({ type: 'array' }) },
        },
        post: {
          ...{ operationId: 'addPaper', summary: 'Put one there', tags: ['papers'], parameters: [] },
          requestBody: content({ type: 'object', title: 'a paper' }),
          responses: { '2XX': content({ type: 'object' }) },
        },
      },
      '/api/eye-tries': {
        get: {
          ...{ operationId: 'eyeTries', summary: 'Tries', tags: ['eye-tries'], parameters: [] },
          responses: { '2XX': content({}) },
        },
      },
    },
  };

  it('stands by what it is about; each route opens with what is sent and answered', async () => {
    const bench = new PageBench(ForPrograms);
    await bench.settle();
    bench.sent('GET', '/api/openapi.json').flush(described);
    await bench.settle();
    expect([...bench.host.querySelectorAll('h2')].map((h) => h.textContent)).toEqual(['papers', 'eye tries']);
    expect(bench.text).toMatch(/GET \/api\/papers ?Papers on the shelf/);
    await bench.openPanel('POST /api/papers');
    await bench.settle();
    expect(bench.text).toMatch(/What is sent ?\{ "type": "object", "title": "a paper" \}/);
    await bench.openPanel('GET /api/papers');
    await bench.settle();
    expect(bench.text).toContain('After the question mark: search');
  });

  it('says why when it cannot be read, and tries again', async () => {
    const bench = new PageBench(ForPrograms);
    await bench.settle();
    bench.sent('GET', '/api/openapi.json').error(new ProgressEvent('error'));
    await bench.settle();
    bench.button('Try again').click();
    bench.sent('GET', '/api/openapi.json').flush(described);
    await bench.settle();
    expect(bench.text).toContain('A workshop.');
  });
});
