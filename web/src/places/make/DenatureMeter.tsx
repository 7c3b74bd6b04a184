import { VAT_MINUTES_NEEDED, type PointForecast } from '@morning-crock/core';

/** How far the heat has unfolded the whey protein, filling as readings come in; and the pasteurisation guide. */
export function DenatureMeter({ point }: { readonly point: PointForecast }) {
  const now = point.denaturedNow * 100;
  const minutes = point.pasteurisationMinutesNow;
  return (
    <div className="meter">
      <div>
        Whey protein unfolded: <span className="number">about {now.toFixed(0)} %</span>
        <span className="quiet"> · firmest set at 80–98 %</span>
      </div>
      <svg
        viewBox="0 0 400 36"
        preserveAspectRatio="none"
        role="img"
        aria-label={`About ${now.toFixed(0)} % of the whey protein unfolded`}
      >
        <rect x="1" y="6" width="398" height="24" fill="var(--page)" stroke="var(--line)" />
        <rect x="320" y="6" width="72" height="24" fill="var(--clover)" opacity="0.3" />
        <rect x="1" y="6" width={(398 * now) / 100} height="24" fill="var(--clay)" />
        <line x1="320" x2="320" y1="0" y2="36" stroke="var(--ink)" strokeWidth="2" />
      </svg>
      <div className="quiet">
        Pasteurisation guide:{' '}
        {minutes >= VAT_MINUTES_NEEDED
          ? 'more than enough, judged by the temperature curve'
          : `equal to ${minutes.toFixed(1)} of the ${VAT_MINUTES_NEEDED} min needed at 63 °C (145 °F)`}
        . This is an estimate, not a certificate.
      </div>
    </div>
  );
}
