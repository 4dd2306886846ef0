import { TestBed } from '@angular/core/testing';
import { make, squareTray, stepPictures } from '@odd-corner/core';
import { DrawingView } from './drawing-view';

const [first] = make(squareTray.id, {
  sheet: { widthMm: 150, heightMm: 150 },
  params: {},
  paper: { thicknessMm: 0.1 },
}).folding.steps;

describe('a drawing on the screen', () => {
  const shown = async (): Promise<HTMLElement> => {
    const fixture = TestBed.createComponent(DrawingView);
    fixture.componentRef.setInput('drawing', stepPictures(first).now);
    fixture.componentRef.setInput('label', 'The sheet');
    fixture.componentRef.setInput('colours', { front: '#112233', back: '#fefefe' });
    await fixture.whenStable();
    return fixture.nativeElement as HTMLElement;
  };

  it('says what it shows and wears the paper’s colours', async () => {
    const host = await shown();
    expect(host.querySelector('svg')?.getAttribute('aria-label')).toBe('The sheet');
    expect(host.style.getPropertyValue('--front')).toBe('#112233');
  });

  it('has a valley, and an arrow with two heads for a fold that is opened again', async () => {
    const host = await shown();
    expect(host.querySelectorAll('line.valley').length).toBeGreaterThan(0);
    expect(host.querySelectorAll('.arrow[data-kind="fold-and-unfold"] polygon')).toHaveLength(2);
  });

  it('leaves a margin round the paper', async () => {
    const host = await shown();
    const [x, y, width, height] = host.querySelector('svg')!.getAttribute('viewBox')!.split(' ').map(Number);
    for (const line of Array.from(host.querySelectorAll('line'))) {
      const at = (name: string): number => Number(line.getAttribute(name));
      expect(Math.min(at('x1') - x, at('y1') - y, x + width - at('x2'), y + height - at('y2'))).toBeGreaterThan(0);
    }
  });
});
