import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { setNonce } from 'get-nonce';
import { isProblem } from './api/client';
import { basePath } from './api/place';
import { App } from './App';
import { WhenBroken } from './ui/Broken';
import { Tips } from './ui/Tip';
import { currentLook, showLook } from './ui/theme';
import './styles.css';

// The few style sheets that the dialogs write at run time carry the number that this page's policy allows.
setNonce(document.querySelector<HTMLMetaElement>('meta[name=style-number]')?.content ?? '');

showLook(currentLook());

const queries = new QueryClient({
  defaultOptions: {
    queries: { retry: (count, error) => !isProblem(error) && count < 2, refetchOnWindowFocus: false, staleTime: 5_000 },
    // What cannot be sent fails and is said: it does not wait unseen, to be done when nobody means it any more.
    mutations: { networkMode: 'always' },
  },
});

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <BrowserRouter basename={basePath || '/'}>
        <WhenBroken>
          <Tips>
            <App />
          </Tips>
        </WhenBroken>
      </BrowserRouter>
    </QueryClientProvider>
  </StrictMode>,
);
