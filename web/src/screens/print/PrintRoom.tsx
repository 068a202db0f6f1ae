import { papers, roomOn, sheetFamilies, sheets, type AnySheet, type SheetFamily } from '@veldrift/core/print';
import { Link } from 'react-router';
import { PaperPage } from './PaperPage.tsx';
import './print.css';

const familyNames: Readonly<Record<SheetFamily, string>> = {
  table: 'For the table',
  cut: 'To cut out',
  make: 'To make',
  game: 'Of a game',
};

const whatNames = { rules: 'rules', board: 'board', order: 'order of the cards', home: 'for home' } as const;

/** Every sheet, each with its first page drawn small; those of a game are found on its own page too. */
export function PrintRoom() {
  const all = sheets();
  const own = all.filter(({ ofGame }) => ofGame === undefined);
  const games = [...new Set(all.flatMap(({ ofGame }) => ofGame?.name ?? []))];
  return (
    <>
      <div className="work-head">
        <div>
          <h1>Print</h1>
          <p className="quiet">
            {papers.a4.name} or {papers.letter.name}, black on white. What is drawn by chance has a seed at
            its foot that makes it again.
          </p>
        </div>
      </div>
      {sheetFamilies
        .filter((family) => family !== 'game')
        .map((family) => (
          <section key={family} className="print-family" aria-label={familyNames[family]}>
            <h2>{familyNames[family]}</h2>
            <ul>
              {own
                .filter((one) => one.family === family)
                .map((sheet) => (
                  <li key={sheet.id}>
                    <Link to={`/print/${sheet.id}`}>
                      <FirstPage sheet={sheet} />
                      <strong>{sheet.name}</strong>
                      <span className="quiet">{sheet.says}</span>
                    </Link>
                  </li>
                ))}
            </ul>
          </section>
        ))}
      <section className="print-family" aria-label="Of a game">
        <h2>Of a game</h2>
        <ul className="print-games">
          {games.map((name) => (
            <li key={name}>
              <span>{name}</span>
              {all.map(({ id, ofGame }) =>
                ofGame?.name === name ? (
                  <Link key={id} to={`/print/${id}`} aria-label={`${name}: ${whatNames[ofGame.what]}`}>
                    {whatNames[ofGame.what]}
                  </Link>
                ) : null,
              )}
            </li>
          ))}
        </ul>
      </section>
    </>
  );
}

function FirstPage({ sheet }: { readonly sheet: AnySheet }) {
  const [page = []] = sheet.pages(sheet.choices, 1, roomOn('a4'));
  return (
    <span className="print-small" aria-hidden>
      <PaperPage paper="a4" page={page} foot="" label="" />
    </span>
  );
}
