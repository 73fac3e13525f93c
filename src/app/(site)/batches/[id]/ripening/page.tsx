import { fermentOf, fermentTarget, lossesOf, metersApart, shelfOf, keepingOf } from '@/core';
import { requirePage } from '@/features/accounts/identify';
import { dossierOfPage } from '@/features/batches/page-data';
import { PhForm } from '@/features/batches/ui/PhForm';
import { HumidityLog } from '@/features/batches/ui/HumidityLog';
import { PieceWeigh } from '@/features/batches/ui/PieceWeigh';
import { dryingAhead, fermentAhead } from '@/features/ripening/service';
import { DryingCard } from '@/features/ripening/ui/DryingCard';
import { ShelfCard } from '@/features/ripening/ui/ShelfCard';
import { FermentCard } from '@/features/ripening/ui/FermentCard';
import { meterChoices } from '@/features/readings/service';
import { showOfRequest } from '@/features/settings/show';
import { nowS } from '@/platform/clock';
import { db } from '@/platform/db/client';

/** The weeks of a batch: the hour of its pH, the day of its loss, its pieces and its meters. */
export default async function RipeningPage({ params }: { params: Promise<{ id: string }> }) {
  await requirePage();
  const dossier = await dossierOfPage((await params).id);
  const show = await showOfRequest();
  const now = nowS();
  const { recipe, state } = dossier.case;
  const closed = state.phase === 'released' || state.phase === 'destroyed';
  const [ferment, drying] = [await fermentAhead(db(), dossier), await dryingAhead(dossier)];
  const check = (code: string) => dossier.verdict.checks.find((k) => k.code === code);
  const losses = lossesOf(state);
  const shelf = shelfOf(dossier.case);
  const meter = recipe.fermentation && state.run && !closed && (
    <PhForm
      targetPh={fermentTarget(dossier.case) ?? recipe.fermentation.targetPh}
      meters={await meterChoices(db(), now)}
    />
  );
  return (
    <div className="grid items-start gap-4 lg:grid-cols-2">
      <div className="space-y-4">
        {recipe.fermentation && !ferment && (
          <section className="sheet" aria-label="Ferment">
            <h2 className="text-lg font-semibold">Ferment</h2>
            <p>
              {fermentOf(dossier.case)
                ? 'No forecast: the model knows no ferment with these figures.'
                : 'It has not begun: load the chamber, and the hour of its pH stands here.'}
            </p>
          </section>
        )}
        {ferment && (
          <FermentCard
            ferment={ferment}
            apart={closed ? null : metersApart(state.ph)}
            check={check('fermentation')}
            show={show}
            nowS={now}
          />
        )}
        {drying && meter}
      </div>
      <div className="space-y-4">
        {!drying && meter}
        {drying && (
          <DryingCard
            drying={drying}
            losses={losses}
            check={check('drying')}
            show={show}
            nowS={now}
          />
        )}
        {shelf && state.run && (
          <ShelfCard
            shelf={shelf}
            rule={dossier.case.rules.shelf}
            useBy={keepingOf(dossier.case, shelf)}
            show={show}
          />
        )}
        {recipe.drying && !closed && <PieceWeigh losses={losses} />}
        {state.phase === 'in_house' && <HumidityLog />}
      </div>
    </div>
  );
}
