import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/lexend';
import './app/base.css';
import { createRoot } from 'react-dom/client';
import { registerSW } from 'virtual:pwa-register';
import { App } from './app/App.tsx';

registerSW({ immediate: true });

/** How long the letters are waited for, ms: they ship with the app. Without them the page comes in the system's own. */
const lettersWithinMs = 500;
const letters = ['400 16px', '650 16px'].flatMap((font) =>
  ['Atkinson Hyperlegible Next Variable', 'Lexend Variable'].map((name) =>
    document.fonts.load(`${font} '${name}'`),
  ),
);
// First the letters: what is painted in others moves when they come.
void Promise.race([
  Promise.allSettled(letters),
  new Promise((done) => {
    setTimeout(done, lettersWithinMs);
  }),
]).then(() => createRoot(document.getElementById('root') as HTMLElement).render(<App />));
