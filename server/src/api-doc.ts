import { ROUTE_FACTS } from './route-facts.ts';

/** Between these two lines stands what is made from the routes. */
const [FROM, TO] = ['<!-- routes: made by npm run api-doc -->', '<!-- /routes -->'];

/** A route as it is called, with what may be asked of it. */
interface Operation {
  readonly operationId?: string;
  readonly summary?: string;
  readonly parameters?: readonly { readonly in: string; readonly name: string }[];
}
/** As much of an OpenAPI document as the page tells. */
export interface ApiDocument {
  readonly paths?: Readonly<Record<string, Readonly<Record<string, unknown>>>>;
}

/** One line a route, by what it is about. @example routeTable(app.swagger()) // "### Batches\n\n| route | what |…" */
function routeTable({ paths = {} }: ApiDocument): string {
  const rows = Object.entries(paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, told]) => {
      const { summary = '', parameters = [] } = told as Operation;
      const route = path.replace(/\{(\w+)\}/g, ':$1');
      const asked = parameters.filter((p) => p.in === 'query').map(({ name }) => `${name}=`);
      const tag = ROUTE_FACTS[`${method.toUpperCase()} ${route}`]?.tag ?? '';
      const query = asked.length > 0 ? `?${asked.join('&')}` : '';
      return { tag, line: `| \`${method.toUpperCase()} ${route}${query}\` | ${summary} |` };
    }),
  );
  const tags = [...new Set(Object.values(ROUTE_FACTS).map(({ tag }) => tag))];
  return tags
    .map((tag) =>
      [
        `### ${tag}`,
        '',
        '| route | what |',
        '| --- | --- |',
        ...rows.filter((r) => r.tag === tag).map((r) => r.line),
      ].join('\n'),
    )
    .join('\n\n');
}

/** The page with its routes as they are. @throws TypeError for a page without the two lines */
export function withRoutes(page: string, document: ApiDocument): string {
  const [from, to] = [page.indexOf(FROM), page.indexOf(TO)];
  if (from < 0 || to < from) throw new TypeError('the page has no place for its routes');
  return `${page.slice(0, from + FROM.length)}\n\n${routeTable(document)}\n\n${page.slice(to)}`;
}
