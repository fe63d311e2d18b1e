import { useEffect } from 'react';
import { Moon, Sun } from 'lucide-react';
import { useRemembered } from '../shared/remember.ts';
import { Button } from '../ui/Button.tsx';

/** Day or night shift; follows the device until somebody chooses. */
export function ThemeButton() {
  const [theme, setTheme] = useRemembered('avrik.theme');
  const dark = theme === '' ? matchMedia('(prefers-color-scheme: dark)').matches : theme === 'dark';
  useEffect(() => {
    if (theme !== '') document.documentElement.dataset.theme = theme;
  }, [theme]);
  return (
    <Button
      $look="quiet"
      aria-label={dark ? 'To day colours' : 'To night shift colours'}
      onPress={() => setTheme(dark ? 'light' : 'dark')}
    >
      {dark ? <Sun size={20} aria-hidden /> : <Moon size={20} aria-hidden />}
    </Button>
  );
}
