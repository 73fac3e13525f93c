'use client';

import { SelectField } from '@/ui/select-field';
import { useShow } from '@/ui/show-context';
import type { usePlanner } from '../use-planner';
import type { View } from './layout';
import { ZOOM_WORDS, ZOOMS, type Zoom } from './scale';

type Props = {
  view: View;
  onView: (view: View) => void;
  zoom: Zoom;
  onZoom: (zoom: Zoom) => void;
  canWork: boolean;
  canUndo: boolean;
  planner: ReturnType<typeof usePlanner>;
  onPlan: () => void;
};

/** What the board shows, and the one press that plans everything. */
export function BoardTools({
  view,
  onView,
  zoom,
  onZoom,
  canWork,
  canUndo,
  planner,
  onPlan,
}: Props) {
  const show = useShow();
  const { busy } = planner;
  const progress = busy?.progress;
  return (
    <div className="mt-3 flex flex-wrap items-end gap-3">
      {canWork && (
        <>
          <button
            type="button"
            className="button-main"
            disabled={busy !== null || planner.isStale}
            onClick={onPlan}
          >
            {busy ? 'Planning …' : 'Plan everything'}
          </button>
          {busy && (
            <button type="button" className="button" onClick={busy.stop}>
              Take the best so far
            </button>
          )}
          <button
            type="button"
            className="button"
            disabled={!canUndo || busy !== null || planner.isStale}
            onClick={() => void planner.undo()}
          >
            Take back the last change
          </button>
        </>
      )}
      <div className="ml-auto hidden gap-3 sm:flex">
        <SelectField
          label="Lines"
          dense
          value={view}
          onChange={onView}
          options={[
            ['places', 'Places and machines'],
            ['batches', 'Batches'],
          ]}
        />
        <SelectField
          label="Zoom"
          dense
          value={zoom}
          onChange={onZoom}
          options={ZOOMS.map((z) => [z, ZOOM_WORDS[z]] as const)}
        />
      </div>
      {progress && 'round' in progress && (
        <p role="status" className="w-full text-soft">
          So far {show.duration(progress.weightedLatenessS)} late in all, by their weight; round{' '}
          {progress.round}.
        </p>
      )}
    </div>
  );
}
