/** A microphone: its level while one speaks, and what was recorded as a sound file. */

export interface Take {
  number: number;
  /** How long it is, in ms. */
  length: number;
  file: File;
  /** Where it can be heard from. */
  src: string;
}

export interface Recording {
  /** How loud it is now, 0 to 1. */
  level: () => number;
  /** End it; gives the samples, and how many there are a second. */
  stop: () => Promise<{ samples: Float32Array; rate: number }>;
  /** End it without a result. */
  cancel: () => void;
}

/** Begin to record. Throws where there is no microphone, or it may not be used. */
export async function record(): Promise<Recording> {
  const stream = await navigator.mediaDevices.getUserMedia({ audio: { echoCancellation: false, noiseSuppression: true, autoGainControl: false, channelCount: 1 } });
  const context = new AudioContext();
  const meter = context.createAnalyser();
  meter.fftSize = 1_024;
  context.createMediaStreamSource(stream).connect(meter);
  const recorder = new MediaRecorder(stream);
  const parts: Blob[] = [];
  recorder.addEventListener("dataavailable", ({ data }) => parts.push(data));
  recorder.start();
  const wave = new Float32Array(meter.fftSize);
  const end = (): void => {
    for (const track of stream.getTracks()) track.stop();
  };
  return {
    level: () => {
      meter.getFloatTimeDomainData(wave);
      return Math.min(Math.sqrt(wave.reduce((sum, one) => sum + one * one, 0) / wave.length) * 4, 1);
    },
    stop: async () => {
      const done = new Promise((resolve) => recorder.addEventListener("stop", resolve, { once: true }));
      recorder.stop();
      await done;
      end();
      const sound = await context.decodeAudioData(await new Blob(parts, { type: recorder.mimeType }).arrayBuffer());
      void context.close();
      return { samples: sound.getChannelData(0), rate: sound.sampleRate };
    },
    cancel: () => {
      if (recorder.state !== "inactive") recorder.stop();
      end();
      void context.close();
    },
  };
}

/** What is quieter than this is silence. */
const SILENCE = 0.01;
/** So much of it (s) is left before and after the words. */
const AIR = 0.15;

/** The samples without the silence before the first and after the last word; all of them where nothing is heard. */
export function trimmed(samples: Float32Array, rate: number): Float32Array {
  const first = samples.findIndex((one) => Math.abs(one) > SILENCE);
  if (first < 0) return samples;
  const last = samples.findLastIndex((one) => Math.abs(one) > SILENCE);
  const air = Math.round(AIR * rate);
  return samples.slice(Math.max(first - air, 0), last + 1 + air);
}

/** Samples as a WAV file: 16 bits, one channel. */
export function waveFile(samples: Float32Array, rate: number, name: string): File {
  const bytes = new DataView(new ArrayBuffer(44 + samples.length * 2));
  const word = (at: number, text: string): void => { for (const [n, letter] of [...text].entries()) bytes.setUint8(at + n, letter.charCodeAt(0)); };
  word(0, "RIFF");
  bytes.setUint32(4, 36 + samples.length * 2, true);
  word(8, "WAVEfmt ");
  bytes.setUint32(16, 16, true);
  bytes.setUint16(20, 1, true);
  bytes.setUint16(22, 1, true);
  bytes.setUint32(24, rate, true);
  bytes.setUint32(28, rate * 2, true);
  bytes.setUint16(32, 2, true);
  bytes.setUint16(34, 16, true);
  word(36, "data");
  bytes.setUint32(40, samples.length * 2, true);
  for (const [n, one] of samples.entries()) bytes.setInt16(44 + n * 2, Math.max(-1, Math.min(one, 1)) * 32_767, true);
  return new File([bytes.buffer], name, { type: "audio/wav" });
}
