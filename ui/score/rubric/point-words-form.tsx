'use client';

import { capital } from '@/core/units/capital';
import { useForm } from 'react-hook-form';
import type { PointWords } from '@/core/score/rubric/worded-points';
import { Field } from '@/ui/kit/form/field';
import { SheetDialog } from '@/ui/kit/form/sheet-dialog';
import type { EditedPoint } from './edited-point';

interface PointWordsFormProps {
  point: EditedPoint;
  words: PointWords;
  mayChange: boolean;
  onChange: (words: PointWords | null) => void;
  onClose: () => void;
}

/** What a point is called and how its grades are told; empty fields stand for the method's own words. */
export function PointWordsForm({ point, words, mayChange, onChange, onClose }: PointWordsFormProps) {
  const { register, handleSubmit } = useForm<Record<string, string>>();
  const take = (typed: Record<string, string>): void => {
    const values = Object.fromEntries(Object.entries(typed).map(([name, value]) => [name, value.trim()]));
    const differs = (text: string | undefined, own: string): text is string =>
      text !== undefined && text !== '' && text !== own;
    const faults = Object.fromEntries(
      point.faults.flatMap(({ grade, words: own }) =>
        differs(values[`fault-${grade}`], own) ? [[grade, values[`fault-${grade}`]!]] : [],
      ),
    );
    const next: PointWords = {
      ...(differs(values.name, point.name) ? { name: values.name } : {}),
      ...(differs(values.good, point.good) ? { good: values.good } : {}),
      ...(differs(values.correction, point.correction) ? { correction: values.correction } : {}),
      ...(Object.keys(faults).length > 0 ? { faults } : {}),
    };
    onChange(Object.keys(next).length > 0 ? next : null);
  };
  return (
    <SheetDialog
      title={`Words of “${point.name}”`}
      description="What the bench and the cards call it. An empty field stands for the method’s own words. They count once the rubric is saved."
      open
      onOpenChange={(open) => {
        if (!open) onClose();
      }}
    >
      <form onSubmit={(event) => void handleSubmit(take)(event)} className="flex flex-col gap-3">
        <fieldset disabled={!mayChange} className="contents">
          <Field label="Name">
            <input {...register('name')} maxLength={40} defaultValue={words.name ?? ''} placeholder={point.name} />
          </Field>
          <Field label="Good is">
            <input {...register('good')} maxLength={200} defaultValue={words.good ?? ''} placeholder={point.good} />
          </Field>
          {point.faults.map(({ grade, words: own }) => (
            <Field key={grade} label={`${capital(grade)} is`}>
              <input
                {...register(`fault-${grade}`)}
                maxLength={200}
                defaultValue={words.faults?.[grade] ?? ''}
                placeholder={own}
              />
            </Field>
          ))}
          <Field label="What to do about it">
            <input
              {...register('correction')}
              maxLength={200}
              defaultValue={words.correction ?? ''}
              placeholder={point.correction}
            />
          </Field>
          {mayChange && (
            <button type="submit" className="bench-button self-start" data-weight="main">
              Take these words
            </button>
          )}
        </fieldset>
      </form>
    </SheetDialog>
  );
}
