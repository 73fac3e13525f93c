'use client';

import { useState } from 'react';
import type { CleaningTask } from '@/core';
import { ActionForm, Field } from '@/ui/action-form';
import { formFigure } from '@/ui/form-figure';
import { TextField } from '@/ui/text-field';
import { recordCleanedAction, removeTaskAction, saveTaskAction } from '../actions';

/** Adds something to be cleaned, or changes it. */
export function TaskForm({ task }: { task?: CleaningTask }) {
  const [id, setId] = useState(() => task?.id ?? crypto.randomUUID());
  const at = (name: string) => `${name}-${task?.id ?? 'new'}`;
  return (
    <>
      <ActionForm
        clear={!task}
        action={saveTaskAction}
        read={(f) => ({
          id,
          name: f.get(at('task')),
          minutes: formFigure(f.get(at('minutes'))) ?? Number.NaN,
          everyDays: formFigure(f.get(at('days'))) ?? null,
          needsCold: f.get(at('cold')) === 'yes',
        })}
        label={task ? `Save ${task.name}` : 'Add it to the list'}
        done={() => {
          if (!task) setId(crypto.randomUUID());
          return task ? 'Saved.' : 'Added.';
        }}
      >
        <Field name={at('task')} label="What is cleaned" value={task?.name} />
        <div className="grid grid-cols-2 gap-3">
          <Field
            name={at('minutes')}
            label="Takes (min)"
            value={task ? String(task.minutes) : ''}
          />
          <Field
            optional
            name={at('days')}
            label="Every so many days"
            value={task?.everyDays == null ? '' : String(task.everyDays)}
          />
        </div>
        <Field
          name={at('cold')}
          label="While the houses are hot"
          value={task?.needsCold ? 'yes' : 'no'}
        >
          <option value="no">it can be done</option>
          <option value="yes">it cannot: wait until they are cold</option>
        </Field>
      </ActionForm>
      {task && (
        <ActionForm
          action={removeTaskAction}
          read={() => task.id}
          label={`Take ${task.name} off the list`}
          done="Off the list."
        >
          <span className="sr-only">What was done stays in the record.</span>
        </ActionForm>
      )}
    </>
  );
}

/** It is done, by the person who is signed in. */
export function DoneForm({ task }: { task: CleaningTask }) {
  const [id, setId] = useState(() => crypto.randomUUID());
  return (
    <ActionForm
      clear
      action={recordCleanedAction}
      read={(f) => ({ id, taskId: task.id, note: String(f.get(`note-${task.id}`) ?? '') })}
      label={`Done: ${task.name}`}
      done={() => {
        setId(crypto.randomUUID());
        return 'Recorded.';
      }}
    >
      <TextField
        dense
        quiet
        label={`Note on ${task.name}`}
        placeholder="note"
        name={`note-${task.id}`}
      />
    </ActionForm>
  );
}
