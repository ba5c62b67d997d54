import { areaFigures, type BuildUp } from '@calvet/contract';
import { fireEvent, screen, within } from '@testing-library/react';
import { useState } from 'react';
import { renderInTheme } from '../../../test/in-theme';
import { areaWith, houseWith } from '../../../test/records';
import { GradeChoice } from './grade-choice';
import { LayerEditor } from './layer-editor';
import { WorthBars } from './worth-bars';

let kept: BuildUp;

function Editor({ first }: { readonly first: BuildUp }) {
  const [buildUp, setBuildUp] = useState(first);
  kept = buildUp;
  return <LayerEditor buildUp={buildUp} onChange={setBuildUp} />;
}

const wall = areaWith().buildUp;
const layer = (position: number) => within(screen.getByRole('group', { name: `Layer ${position}` }));
const names = () => kept.layers.map(({ name }) => name);

describe('layers', () => {
  test('figures are kept as they are typed; what does not fit is not', () => {
    renderInTheme(<Editor first={wall} />);
    fireEvent.change(layer(2).getByLabelText('Cavity R, on the label'), { target: { value: '4,1' } });
    fireEvent.change(layer(2).getByLabelText('Share of framing'), { target: { value: '15' } });
    expect(kept.layers[1]).toMatchObject({ cavityRsi: 4.1, framingFraction: 0.15 });
    fireEvent.blur(layer(2).getByLabelText('Share of framing'));
    fireEvent.change(layer(2).getByLabelText('Share of framing'), { target: { value: '150' } });
    expect(kept.layers[1]).toMatchObject({ framingFraction: 0.15 });
  });

  test('the graded layer stays the graded one when layers move or leave', () => {
    renderInTheme(<Editor first={wall} />);
    const graded = () => kept.layers.findIndex(({ id }) => id === kept.gradedLayer);
    expect(graded()).toBe(1);
    fireEvent.click(screen.getByRole('button', { name: 'Move Studs 140, batts inwards' }));
    expect([names()[0], graded()]).toEqual(['Studs 140, batts', 0]);
    fireEvent.click(screen.getByRole('button', { name: 'Move Studs 140, batts outwards' }));
    fireEvent.click(screen.getByRole('button', { name: 'Remove Plasterboard' }));
    expect([names()[0], graded()]).toEqual(['Studs 140, batts', 0]);
    fireEvent.click(screen.getByRole('button', { name: 'Remove Studs 140, batts' }));
    expect(kept.gradedLayer).toBeNull();
  });

  test('a second frame asks how the frames stand', () => {
    renderInTheme(<Editor first={wall} />);
    fireEvent.click(screen.getByRole('button', { name: 'Add a layer outside' }));
    fireEvent.click(layer(5).getByRole('radio', { name: 'Framed' }));
    expect(kept.frameAlignment).toBe('aligned');
    fireEvent.click(screen.getByRole('radio', { name: 'Offset' }));
    expect(kept.frameAlignment).toBe('offset');
    fireEvent.click(screen.getByRole('button', { name: 'Remove layer 5' }));
    expect(kept.frameAlignment).toBeNull();
  });

  test('the last layer cannot be removed', () => {
    renderInTheme(<Editor first={{ ...wall, layers: wall.layers.slice(0, 1), gradedLayer: null }} />);
    expect(screen.getByRole('button', { name: 'Remove Plasterboard' }).getAttribute('aria-disabled')).toBe(
      'true',
    );
  });
});

describe('a grade', () => {
  test('is given in one tap and taken back with another', () => {
    const given: unknown[] = [];
    const { rerender } = renderInTheme(
      <GradeChoice areaName="N" grade={null} onChange={(grade) => given.push(grade)} />,
    );
    fireEvent.click(screen.getByRole('button', { name: /^Grade II:/ }));
    rerender(<GradeChoice areaName="N" grade="II" onChange={(grade) => given.push(grade)} />);
    expect(screen.getByRole('button', { name: /^Grade II:/ }).getAttribute('aria-pressed')).toBe('true');
    fireEvent.click(screen.getByRole('button', { name: /^Grade II:/ }));
    expect(given).toEqual(['II', null]);
  });
});

test('what an area is worth falls from label to framing to the work', () => {
  const figures = areaFigures(houseWith(), areaWith({ grade: 'III' }));
  if (figures.state !== 'figures') throw new Error('refused');
  renderInTheme(<WorthBars figures={figures} isGraded showU />);
  for (const worth of [figures.labelled, figures.framed, figures.built]) {
    expect(screen.getByText(worth.effectiveRsi.toFixed(2))).toBeTruthy();
    expect(screen.getByText(worth.uValue.toFixed(3))).toBeTruthy();
  }
});
