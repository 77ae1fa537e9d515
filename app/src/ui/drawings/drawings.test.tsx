import { fireEvent, render, screen } from '@testing-library/react';
import type { ReactElement } from 'react';
import { Provider } from 'react-redux';
import type { CourseFigures, Scale } from '@cadro/contract';
import { startTexts } from '../../testing/texts';
import { store } from '../../store';
import { Action, Choice, Field } from '../controls/Controls';
import { aGrade } from '../../testing/grades';
import { Theme } from '../theme/Theme';
import { Heading } from '../Words';
import { DayStrip } from './DayStrip';
import { Frame, frameOf, type FrameKind } from './Frame';
import { CostBar } from './CostBar';
import { FormulaBar } from './FormulaBar';
import { Span } from './Span';
import { StepLine } from './StepLine';
import { StoryLine } from './StoryLine';

startTexts('en');
const show = (element: ReactElement) =>
  render(
    <Provider store={store}>
      <Theme wish="light">{element}</Theme>
    </Provider>,
  );

describe('frames', () => {
  const kinds: FrameKind[] = [
    'nothing',
    'handed-in',
    'scored',
    'missing',
    'excused',
    'incomplete',
    'overdue',
  ];
  it('tell each status by their shape, whatever the colour', () => {
    const shapes = kinds.map((kind) => {
      const { container, unmount } = show(<Frame kind={kind} />);
      const drawn = container.querySelector('svg')?.innerHTML ?? '';
      unmount();
      return drawn;
    });
    expect(new Set(shapes).size).toBe(kinds.length);
    expect(shapes.every((shape) => shape.length > 0)).toBe(true);
  });
  it.each([
    ['open', 'overdue', 'overdue'],
    ['open', null, 'nothing'],
    ['scored', 'zero', 'scored'],
    ['missing', 'missing', 'missing'],
    ['handed-in', 'unmarked', 'handed-in'],
  ] as const)('%s as %s is drawn %s', (status, kind, frame) => expect(frameOf(status, kind)).toBe(frame));
  it('are silent to a screen reader: the word stands beside them', () => {
    const { container } = show(<Frame kind="missing" />);
    expect(container.querySelector('svg')?.getAttribute('aria-hidden')).toBe('true');
  });
});

describe('the span', () => {
  const figures = { posted: 3.1, ifLeft: 2.4, ifMadeUp: 2.9 } as CourseFigures; // all that is drawn
  const scale: Scale = { method: 'weighted', outOf: 4, decimals: 1, letters: [] };
  it('has its text in place of the drawing', () => {
    show(
      <Span
        figures={figures}
        grade={aGrade(3.1)}
        scale={scale}
        label="Posted 3.1 of 4. If left 2.4. If made up 2.9."
      />,
    );
    expect(screen.getByRole('img', { name: 'Posted 3.1 of 4. If left 2.4. If made up 2.9.' })).toBeTruthy();
  });
});

it('a story line tells each point with its day, in order', () => {
  show(
    <StoryLine
      points={[
        { key: 'a', when: 'Mon, Sep 28', what: 'assigned', frame: 'nothing' },
        { key: 'b', when: 'Mon, Oct 12', what: 'due, after 14 days', frame: 'overdue', needsYou: true },
      ]}
    />,
  );
  expect(screen.getAllByRole('listitem').map(({ textContent }) => textContent)).toEqual([
    'Mon, Sep 28assigned',
    'Mon, Oct 12due, after 14 days',
  ]);
});

it('a day strip has a bar for each lesson, and absence looks like nothing else', () => {
  const kinds = ['present', 'tardy', 'activity', 'closed'] as const;
  const mark = (kind: (typeof kinds)[number] | 'absent' | null, excused: boolean, index: number) => ({
    period: String(index),
    courseId: null,
    courseTitle: null,
    code: 'X',
    kind,
    excused,
    label: '',
    by: 'school' as const,
    note: null,
    markedBy: null,
    instead: [],
  });
  const marks = [
    ...kinds.map((kind, index) => mark(kind, false, index)),
    mark('absent', true, 4),
    mark('absent', false, 5),
    mark(null, false, 6),
  ];
  const { container } = show(<DayStrip marks={marks} label="Mon, Oct 19: absent" />);
  const drawn = [...(container.querySelector('svg')?.children ?? [])].map(({ innerHTML, outerHTML }) =>
    (innerHTML || outerHTML).replace(/ x\d?="[\d.]+"/g, ''),
  );
  expect(drawn).toHaveLength(7);
  expect(new Set(drawn).size).toBe(7);
});

describe('controls', () => {
  it('a choice says which one is chosen, and tells another', () => {
    const chosen = jest.fn();
    const options = [
      { value: 'a', label: 'Agreed' },
      { value: 'b', label: 'Noticed' },
    ];
    show(<Choice titled label="Where it stands" options={options} value="a" onChange={chosen} />);
    const [agreed, noticed] = screen.getAllByRole('radio');
    expect([agreed, noticed].map((each) => each?.getAttribute('aria-checked'))).toEqual(['true', 'false']);
    fireEvent.click(noticed as HTMLElement);
    expect(chosen).toHaveBeenCalledWith('b');
  });

  it('a field has its label, and its error in words', () => {
    const typed = jest.fn();
    show(
      <Field
        label="Code from the school"
        value=""
        onChange={typed}
        error="This code has run out."
        longest={40}
      />,
    );
    const field = screen.getByLabelText('Code from the school');
    fireEvent.change(field, { target: { value: 'SORREL' } });
    expect(typed).toHaveBeenCalledWith('SORREL');
    expect(field.getAttribute('maxlength')).toBe('40');
    expect(screen.getByText('This code has run out.')).toBeTruthy();
  });

  it('an action that is under way cannot be pressed again', () => {
    const pressed = jest.fn();
    const { rerender } = show(<Action label="Send" onPress={pressed} />);
    fireEvent.click(screen.getByRole('button'));
    rerender(
      <Provider store={store}>
        <Theme wish="light">
          <Action label="Send" onPress={pressed} busy />
        </Theme>
      </Provider>,
    );
    fireEvent.click(screen.getByRole('button'));
    expect(pressed).toHaveBeenCalledTimes(1);
  });

  it('a heading has its level', () => {
    show(<Heading level={2}>Loose ends</Heading>);
    expect(screen.getByRole('heading', { level: 2, name: 'Loose ends' })).toBeTruthy();
  });
});

describe('what moved a figure', () => {
  const points = [80, 82, 79].map((value, index) => ({
    key: String(index),
    atMs: index * 1000,
    value,
    words: `step ${index + 1}`,
  }));
  it.each([
    ['ArrowLeft', 0],
    ['ArrowRight', 2],
    ['Home', 0],
    ['End', 2],
  ])('goes by %s, and says the cause of each step', (key, to) => {
    const choose = jest.fn();
    show(
      <StepLine
        label="The figure over time"
        points={points}
        fromMs={0}
        toMs={3000}
        marks={[]}
        write={String}
        chosen={1}
        onChoose={choose}
      />,
    );
    const line = screen.getByRole('slider', { name: 'The figure over time' });
    expect(line.getAttribute('aria-valuetext')).toBe('step 2');
    expect(line.getAttribute('aria-valuenow')).toBe('2');
    fireEvent.keyDown(line, { key });
    expect(choose).toHaveBeenCalledWith(to);
  });
  it('stays at its ends', () => {
    const choose = jest.fn();
    const line = (
      <StepLine
        label="Line"
        points={points}
        fromMs={0}
        toMs={3000}
        marks={[]}
        write={String}
        chosen={2}
        onChoose={choose}
      />
    );
    show(line);
    fireEvent.keyDown(screen.getByRole('slider', { name: 'Line' }), { key: 'ArrowRight' });
    expect(choose).toHaveBeenCalledWith(2);
  });
});

describe('the other drawings of a course', () => {
  it('tell a part that is stored, one that runs, and one that is not there', () => {
    const part = (key: string, value: string | null, stored: boolean) => ({
      key,
      title: key,
      weight: 40,
      value,
      stored,
    });
    show(
      <FormulaBar
        label="made of three"
        parts={[part('first', '88.0', true), part('second', '91.0', false), part('exam', null, false)]}
      />,
    );
    expect(screen.getByRole('img', { name: 'made of three' })).toBeTruthy();
    for (const text of ['88.0', '91.0', '–', 'exam']) expect(screen.getByText(text)).toBeTruthy();
  });
  it('draw no more than the whole where extra credit lifts a category above it', () => {
    expect(() => show(<CostBar share={0.5} fraction={1.3} most={0.5} />)).not.toThrow();
  });
});
