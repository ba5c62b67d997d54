import { areaFigures } from '@calvet/contract/installation/area-figures';
import type { BuildUp } from '@calvet/contract/installation/area';
import { fireEvent, screen, within } from '@testing-library/react';
import { useState } from 'react';
import { renderInTheme } from '../../../test/in-theme';
import { areaWith, houseWith } from '../../../test/records';
import { GradeChoice, type Judgement } from './grade-choice';
import { LayerEditor } from './layer-editor';
import { WorthBars } from './worth-bars';

let kept: BuildUp;

function Editor({ first }: { readonly first: BuildUp }) {
  const [buildUp, setBuildUp] = useState(first);
  const [openId, setOpenId] = useState<string | null>(null);
  kept = buildUp;
  return <LayerEditor buildUp={buildUp} openId={openId} onOpen={setOpenId} onChange={setBuildUp} />;
}

const wall = areaWith().buildUp;
const layer = (position: number) => within(screen.getByRole('group', { name: `Layer ${position}` }));
const open = (position: number) =>
  fireEvent.click(layer(position).getByRole('button', { name: /: change$/ }));
const names = () => kept.layers.map(({ name }) => name);

describe('layers', () => {
  test('figures are kept as they are typed; what does not fit is not', () => {
    renderInTheme(<Editor first={wall} />);
    open(2);
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
    open(2);
    fireEvent.click(screen.getByRole('button', { name: 'Move inwards' }));
    expect([names()[0], graded()]).toEqual(['Studs 140, batts', 0]);
    fireEvent.click(screen.getByRole('button', { name: 'Move outwards' }));
    open(1);
    fireEvent.click(screen.getByRole('button', { name: 'Remove Plasterboard' }));
    expect([names()[0], graded()]).toEqual(['Studs 140, batts', 0]);
    open(1);
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
    open(1);
    expect(screen.getByRole('button', { name: 'Remove Plasterboard' }).getAttribute('aria-disabled')).toBe(
      'true',
    );
  });
});

describe('the work', () => {
  const given: Judgement[] = [];
  let judged: Judgement;

  function Choosing() {
    const [shown, setShown] = useState<Judgement>({ grade: null, voidFraction: null });
    judged = shown;
    return (
      <GradeChoice
        areaName="N"
        judged={shown}
        onChange={(next, stage) => {
          if (stage !== 'typed') given.push(next);
          setShown(next);
        }}
      />
    );
  }
  const key = (name: RegExp) => screen.getByRole('button', { name });
  const isPressed = (name: RegExp) => key(name).getAttribute('aria-pressed') === 'true';

  beforeEach(() => {
    given.length = 0;
    renderInTheme(<Choosing />);
  });

  test('is graded in one tap, and the grade is taken back with another', () => {
    fireEvent.click(key(/^Grade II:/));
    expect(isPressed(/^Grade II:/)).toBe(true);
    fireEvent.click(key(/^Grade II:/));
    expect(given).toEqual([
      { grade: 'II', voidFraction: null },
      { grade: null, voidFraction: null },
    ]);
  });

  test('that is too bad for a grade goes by its share of void, until a grade is given', () => {
    fireEvent.click(key(/^> 5 % void/));
    expect(given).toEqual([]);
    const share = screen.getByLabelText('Void, of the cavity');
    fireEvent.change(share, { target: { value: '12' } });
    fireEvent.blur(share);
    expect(judged).toEqual({ grade: null, voidFraction: 0.12 });
    expect(isPressed(/^> 5 % void/)).toBe(true);
    fireEvent.click(key(/^Grade III:/));
    expect(judged).toEqual({ grade: 'III', voidFraction: null });
    expect(screen.queryByLabelText('Void, of the cavity')).toBeNull();
  });

  test('a share that a grade allows is not taken, and what was said before stays', () => {
    fireEvent.click(key(/^> 5 % void/));
    const share = screen.getByLabelText('Void, of the cavity');
    fireEvent.change(share, { target: { value: '4' } });
    fireEvent.blur(share);
    expect(screen.getByRole('alert').textContent).toMatch(/5/);
    expect(judged).toEqual({ grade: null, voidFraction: null });
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
