import { onMounted, onScopeDispose, watch } from 'vue';
import { useSettings } from '../../stores/settings.ts';

/** Of a tone, s and Hz. */
const TONE = { seconds: 0.12, hz: 880 } as const;

/**
 * What helps at the machine: the screen stays awake while a run is shown, each new step is told by a tone or a voice when that is switched on,
 * and a second key, a pedal's, does what the large key does.
 */
export function useBenchAids(step: () => string, next: () => void): void {
  const settings = useSettings();
  let lock: WakeLockSentinel | null = null;
  async function wake(): Promise<void> {
    if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
    try {
      lock = await navigator.wakeLock.request('screen');
    } catch {
      // refused, as with an empty battery: the run is not touched by it
    }
  }
  const again = (): void => void wake();

  let sound: AudioContext | null = null;
  function cue(words: string): void {
    if (settings.cues === 'voice' && 'speechSynthesis' in window) {
      speechSynthesis.cancel();
      speechSynthesis.speak(new SpeechSynthesisUtterance(words));
    } else if (settings.cues === 'tone') {
      try {
        sound ??= new AudioContext();
        const tone = sound.createOscillator();
        tone.frequency.value = TONE.hz;
        tone.connect(sound.destination);
        tone.start();
        tone.stop(sound.currentTime + TONE.seconds);
      } catch {
        // no sound here: what is shown says the same
      }
    }
  }
  watch(step, cue);

  function pedal(e: KeyboardEvent): void {
    if (settings.pedal === '' || e.key !== settings.pedal || e.repeat || e.defaultPrevented) return;
    if (document.querySelector('[role=dialog]') || e.key === ' ') return;
    e.preventDefault();
    next();
  }
  onMounted(() => {
    void wake();
    document.addEventListener('visibilitychange', again);
    document.addEventListener('keydown', pedal);
  });
  onScopeDispose(() => {
    document.removeEventListener('visibilitychange', again);
    document.removeEventListener('keydown', pedal);
    void lock?.release().catch(() => undefined);
    void sound?.close().catch(() => undefined);
  });
}
