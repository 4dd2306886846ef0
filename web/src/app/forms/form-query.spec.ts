import { readFormQuery, usualSheet, writeFormQuery } from './form-query';

describe('a form in the address', () => {
  const read = (formId: string, query: Record<string, string | number>) =>
    readFormQuery(formId, (name) => (name in query ? `${query[name]}` : null));

  it('comes back as it was written', () => {
    for (const asked of [
      { sheet: { widthMm: 180, heightMm: 180 }, params: { hemMm: 20 } },
      { sheet: { widthMm: 151.5, heightMm: 151.5 }, params: {} },
    ])
      expect(read('tuck-flap-envelope', writeFormQuery(asked))).toEqual(asked);
    const wrap = { sheet: { widthMm: 210, heightMm: 190 }, params: { layout: 'square-on' } };
    expect(read('card-template-wrap', writeFormQuery(wrap))).toEqual(wrap);
  });

  it('leaves what cannot be read at its usual', () => {
    expect(read('tuck-flap-envelope', { sheet: 'a lot', hemMm: 'wide' })).toEqual({
      sheet: usualSheet('tuck-flap-envelope'),
      params: {},
    });
    expect(read('card-template-wrap', { layout: 'upside-down' }).params).toEqual({});
  });
});
