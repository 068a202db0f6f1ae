import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/lexend';
import './app/base.css';
import { createRoot } from 'react-dom/client';
import { registerSW } from 'virtual:pwa-register';
import { App } from './app/App.tsx';

registerSW({ immediate: true });
createRoot(document.getElementById('root') as HTMLElement).render(<App />);
