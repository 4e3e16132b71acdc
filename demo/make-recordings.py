"""Makes the recordings of the demo from their scripts: spoken by espeak-ng, put together by ffmpeg (Debian's packages).
wick-evening.ogg is a talk whose words the transcriber knows; caning-first-steps.webm is a video with slides whose
captions lie inside it. Run: python3 demo/make-recordings.py"""
import hashlib, json, pathlib, re, subprocess, tempfile, wave

here = pathlib.Path(__file__).parent
out = here / "recordings"
RATE = 22050
SENTENCE_PAUSE, PARAGRAPH_PAUSE, LEAD = 0.45, 1.1, 0.6


def spoken(text, voice, folder):
    """The sound of a script as one file, its words with their times, and when each of its paragraphs begins."""
    pcm, words, starts = b"\0\0" * int(RATE * LEAD), [], []
    for paragraph in text.strip().split("\n\n"):
        starts.append(len(pcm) / 2 / RATE)
        for sentence in re.findall(r"[^.?!]+[.?!]", paragraph):
            path = folder / "sentence.wav"
            subprocess.run(["espeak-ng", "-v", voice, "-s", "150", "-w", str(path), sentence.strip()], check=True)
            with wave.open(str(path)) as sound:
                data = sound.readframes(sound.getnframes())
            # espeak-ng ends a sentence with silence of its own.
            said = data.rstrip(b"\0")
            said += b"\0" * (len(said) % 2)
            at, length = len(pcm) / 2 / RATE, len(said) / 2 / RATE
            own = sentence.split()
            weights = [len(w.strip(".,?!")) + 2 + (3 if w[-1] in ",;" else 0) for w in own]
            for word, weight in zip(own, weights):
                share = length * weight / sum(weights)
                words.append({"text": word, "startMs": round(at * 1000), "endMs": round((at + share * 0.92) * 1000)})
                at += share
            pcm += said + b"\0\0" * int(RATE * SENTENCE_PAUSE)
        pcm += b"\0\0" * int(RATE * (PARAGRAPH_PAUSE - SENTENCE_PAUSE))
    path = folder / "talk.wav"
    with wave.open(str(path), "wb") as sound:
        sound.setnchannels(1), sound.setsampwidth(2), sound.setframerate(RATE), sound.writeframes(pcm)
    return path, words, starts


def stamp(ms):
    return f"{ms // 3600000:02}:{ms // 60000 % 60:02}:{ms // 1000 % 60:02}.{ms % 1000:03}"


def captions(words):
    lines, run = ["WEBVTT", ""], []
    for word in words:
        run.append(word)
        if len(run) >= 8 or word["text"][-1] in ".?!":
            lines += [f"{stamp(run[0]['startMs'])} --> {stamp(run[-1]['endMs'])}", " ".join(w["text"] for w in run), ""]
            run = []
    return "\n".join(lines)


def run(*args):
    subprocess.run(["ffmpeg", "-v", "error", "-y", *map(str, args)], check=True)


with tempfile.TemporaryDirectory() as name:
    folder = pathlib.Path(name)
    sound, words, _ = spoken((here / "script/wick-evening.txt").read_text(), "en-gb", folder)
    talk = out / "wick-evening.ogg"
    run("-i", sound, "-map_metadata", "-1", "-fflags", "+bitexact", "-c:a", "libopus", "-b:a", "20k", "-ac", "1", talk)
    heard = [{**w, "text": re.sub(r"[.,?!]", "", w["text"]).lower()} for w in words]
    digest = hashlib.sha256(talk.read_bytes()).hexdigest()
    (out / "wick-evening.json").write_text(json.dumps({"sha256": digest, "title": "Wick and oil", "words": heard}, indent=0) + "\n")

    sound, words, starts = spoken((here / "script/caning-first-steps.txt").read_text(), "en-gb-x-rp", folder)
    (folder / "captions.vtt").write_text(captions(words))
    pictures = ["pegs-and-a-coil-of-cane.png", "caned-seat-from-above.png"]
    with wave.open(str(sound)) as w:
        length = w.getnframes() / w.getframerate()
    slides, ends = [], [*starts[1:], length]
    for n, (start, end) in enumerate(zip([0, *starts[1:]], ends)):
        slides += [f"file '{(here / 'material' / pictures[n % 2]).resolve()}'", f"duration {end - start:.3f}"]
    (folder / "slides.txt").write_text("\n".join([*slides, slides[-2]]))
    run("-f", "concat", "-safe", "0", "-i", folder / "slides.txt", "-i", sound, "-i", folder / "captions.vtt", "-map", "0:v", "-map", "1:a", "-map", "2:s",
        "-vf", "scale=640:400:force_original_aspect_ratio=decrease,pad=640:400:-1:-1:color=#F0ECDF,fps=5,format=yuv420p", "-t", f"{length:.3f}",
        "-c:v", "libvpx-vp9", "-b:v", "60k", "-c:a", "libopus", "-b:a", "20k", "-c:s", "webvtt", "-map_metadata", "-1", "-fflags", "+bitexact", out / "caning-first-steps.webm")
