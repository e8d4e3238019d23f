import type { TemperatureUnit } from '@/core/units/temperature';
import { METHODS } from '@/core/methods/registry';
import type { Metadata } from 'next';
import Link from 'next/link';
import type { DayOfSite } from '@/core/plan/climate/day-weather';
import { alike } from '@/core/plan/phenology/alike';
import { siteCalendar } from '@/core/plan/dates/taught-on';
import { isIsoDate } from '@/core/units/iso-date';
import { dateInZone } from '@/core/units/zoned-date';
import { enteredWeather } from '@/server/plan/day-weather';
import { barkSlip } from '@/server/plan/bark-slip';
import { simulatedDays } from '@/server/plan/site-weather';
import { getSite, listObservations } from '@/server/club/sites';
import { ledger } from '@/server/plan/wood-ledger';
import { AssumptionsForm } from '@/ui/club/sites/assumptions-form';
import { ClimateForm } from '@/ui/club/sites/climate-form';
import { BarkSlipBoard } from '@/ui/club/sites/bark-slip-board';
import { ObservationsBoard } from '@/ui/club/sites/observations-board';
import { WeatherChart } from '@/ui/club/sites/weather-chart';
import { WeatherDays } from '@/ui/club/sites/weather-days';
import { YearTable } from '@/ui/club/sites/year-table';
import { orNotFound } from '../../../_http/or-not-found';
import { pageContext } from '../../../_http/session';
import { Season } from '../../_season';
import type { Context } from '@/server/platform/context';

export const metadata: Metadata = { title: 'A site' };

interface SitePageProps {
  params: Promise<{ site: string }>;
  searchParams: Promise<{ slip?: string | string[] }>;
}

export default async function SitePage({ params, searchParams }: SitePageProps) {
  const { site: id } = await params;
  const { slip } = await searchParams;
  const context = await pageContext();
  const site = await orNotFound(getSite(context, id));
  const [observations, lots, entered] = await Promise.all([
    listObservations(context, id),
    ledger(context),
    enteredWeather(context, [id], '1970-01-01').then((days) => days.get(id)!),
  ]);
  const today = dateInZone(context.now, site.timeZone);
  const species = [...new Set([...lots, ...observations].map((row) => row.species.toLowerCase()))].sort();
  const calendar = siteCalendar(
    {
      hemisphere: site.hemisphere,
      climate: site.climate,
      edits: site.assumptions,
      observations: observations.map(({ species: kind, sign, seenOn }) => ({ species: kind, sign, on: seenOn })),
    },
    METHODS,
  );
  const mayChange = context.actor.role !== 'viewer';
  const slipDay = typeof slip === 'string' && isIsoDate(slip) ? slip : today;
  const weather = simulatedDays(context, site, today);
  return (
    <>
      <Season />
      <main id="main" className="mx-auto flex max-w-[1240px] flex-col gap-5 px-4 py-5">
        <h1>
          {site.name}{' '}
          <span className="text-base font-normal text-muted">
            {site.hemisphere === 'north' ? 'northern' : 'southern'} hemisphere, {site.timeZone}
          </span>
        </h1>
        <UsualYear site={site} offered={weather.offered} mayChange={mayChange} unit={context.actor.temperatureUnit} />
        <WeatherSection id={id} today={today} weather={weather} entered={asDays(entered)} context={context} />
        <section className="board" aria-labelledby="slips">
          <h2 id="slips" className="mb-2">
            Will bark slip?
          </h2>
          <BarkSlipBoard
            outlooks={barkSlip(
              context,
              { site, observations, entered, calendar, today },
              species.length > 0 ? species : ['pear'],
              slipDay,
            )}
            date={slipDay}
            units={{ length: context.actor.lengthUnit, temperature: context.actor.temperatureUnit }}
          />
        </section>
        <SeenAndPlants
          id={id}
          observations={observations}
          today={today}
          species={species}
          mayChange={mayChange}
          site={site}
          calendar={calendar}
          temperatureUnit={context.actor.temperatureUnit}
        />
        <section className="board" aria-labelledby="figures">
          <h2 id="figures" className="mb-2">
            Figures it goes by
          </h2>
          <AssumptionsForm
            units={{ length: context.actor.lengthUnit, temperature: context.actor.temperatureUnit }}
            siteId={id}
            version={site.version}
            edits={site.assumptions}
            quarantine={site.quarantine}
            region={site.region}
            mayChange={mayChange}
          />
        </section>
      </main>
    </>
  );
}

/** Days of weather that somebody entered, latest first. */
function asDays(entered: readonly (Omit<DayOfSite, 'date'> & { day: string })[]): DayOfSite[] {
  return entered
    .map(({ day, low, high, rain, source }): DayOfSite => ({ date: day, low, high, rain, source }))
    .reverse();
}

interface UsualYearProps {
  site: Awaited<ReturnType<typeof getSite>>;
  offered: ReturnType<typeof simulatedDays>['offered'];
  mayChange: boolean;
  unit: TemperatureUnit;
}

/** Temperatures and frosts of the usual year. */
function UsualYear({ site, offered, mayChange, unit }: UsualYearProps) {
  return (
    <section className="board" aria-labelledby="usual">
      <h2 id="usual" className="mb-2">
        The usual year
      </h2>
      <ClimateForm
        siteId={site.id}
        hemisphere={site.hemisphere}
        version={site.version}
        climate={site.climate}
        source={site.climateSource}
        offered={offered}
        unit={unit}
        mayChange={mayChange}
      />
    </section>
  );
}

interface SeenAndPlantsProps {
  temperatureUnit: TemperatureUnit;
  id: string;
  observations: Awaited<ReturnType<typeof listObservations>>;
  today: string;
  species: string[];
  mayChange: boolean;
  site: Awaited<ReturnType<typeof getSite>>;
  calendar: ReturnType<typeof siteCalendar>;
}

/** What was seen, and the year of the plants. */
function SeenAndPlants({
  temperatureUnit,
  id,
  observations,
  today,
  species,
  mayChange,
  site,
  calendar,
}: SeenAndPlantsProps) {
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-5 lg:grid-cols-2">
      <section className="board" aria-labelledby="seen">
        <h2 id="seen" className="mb-2">
          What was seen
        </h2>
        <ObservationsBoard
          siteId={id}
          observations={observations.map(({ id: seenId, species: kind, sign, seenOn, note }) => ({
            id: seenId,
            species: kind,
            sign,
            seenOn,
            note,
          }))}
          today={today}
          species={species}
          mayChange={mayChange}
        />
      </section>
      <section className="board" aria-labelledby="plants">
        <h2 id="plants" className="mb-2">
          The plants’ year
        </h2>
        {site.climate ? (
          alike((species.length > 0 ? species : ['pear']).map((kind) => calendar.phenology(kind, today))).map(
            ({ year, species: kinds }) => <YearTable key={kinds} year={year} species={kinds} unit={temperatureUnit} />,
          )
        ) : (
          <p>
            Nothing can be reckoned without normals. Enter them above, read a CSV file, or take a simulated climate to
            try things out.
          </p>
        )}
      </section>
    </div>
  );
}

interface WeatherSectionProps {
  id: string;
  today: string;
  weather: ReturnType<typeof simulatedDays>;
  /** Days that somebody entered, latest first. */
  entered: DayOfSite[];
  context: Context;
}

/** The weather that was, as far as somebody entered it, and a made-up year for all other days. */
function WeatherSection({ id, today, weather, entered, context: { actor } }: WeatherSectionProps) {
  const unit = actor.temperatureUnit;
  return (
    <section className="board" aria-labelledby="weather">
      <h2 id="weather" className="mb-1">
        Weather
      </h2>
      <p className="mb-2 text-sm text-muted">
        Windows and warmth go by the days that are entered here. All other days are simulated: made up from the usual
        year, the same at every look, with no station behind them; the forecasts are taken from them too.{' '}
        <Link href={`/stand-ins/weather?site=${id}`}>Order a hot spell or a frost to try things</Link>
      </p>
      <WeatherDays
        siteId={id}
        today={today}
        entered={entered}
        unit={unit}
        length={actor.lengthUnit}
        mayChange={actor.role !== 'viewer'}
      />
      {weather.days.length > 0 && (
        <>
          <p className="mb-1">
            <a href={`/api/sites/${id}/weather`} className="inline-flex min-h-11 items-center" download>
              The simulated year as CSV
            </a>
          </p>
          <WeatherChart days={weather.days} unit={unit} />
        </>
      )}
    </section>
  );
}
