"""Makes the samples that other programs write: from handout.docx, by Debian's pandoc, Python's own libraries, ffmpeg,
aeidon (Debian's python3-aeidon) and, where `npm i subtitle node-webvtt` was run in a folder named as the first
argument, by these two libraries. Run after make.py: /usr/bin/python3 core/test/samples/convert.py [FOLDER]"""
import csv, pathlib, subprocess, sys, zipfile
from email.message import EmailMessage

import aeidon

here = pathlib.Path(__file__).parent


def run(*words, **more):
    subprocess.run(words, check=True, capture_output=True, cwd=here, **more)


for kind, name in (("html", "html"), ("gfm", "md"), ("plain", "txt"), ("opml", "opml")):
    run("pandoc", "handout.docx", "-t", kind, "-s", "--wrap=none", "--metadata", "title=Caning a chair", "-o", f"handout.{name}")
# Pictures of a page and of a Markdown file lie beside them; here they come in the mail and in the archive.
page = (here / "handout.html").read_text()
picture = (here / "seat.png").read_bytes()

mail = EmailMessage()
mail["From"], mail["To"], mail["Subject"] = "Odile <odile@larkfield.example>", "desk@larkfield.example", "Caning: the handout, änew"
mail["Date"], mail["Message-ID"] = "Thu, 05 Nov 2026 19:30:00 +0000", "<1@larkfield.example>"
mail.set_content("The plain part.")
mail.add_alternative(page.replace("media/image1.png", "cid:seat"), subtype="html", cte="quoted-printable")
mail.get_payload()[1].add_related(picture, "image", "png", cid="<seat>")
(here / "handout.eml").write_bytes(mail.as_bytes())

rows = [["Gauge", "Width", "For"], ["No. 2", "2,2 mm", 'fine "old" seats'], ["No. 4", "2,75 mm", "kitchen\nchairs"]]
for name, dialect in (("sizes.csv", "excel"), ("sizes.tsv", "excel-tab")):
    with open(here / name, "w", newline="") as f:
        csv.writer(f, dialect).writerows(rows)

with zipfile.ZipFile(here / "handout.zip", "w", zipfile.ZIP_DEFLATED) as archive:
    archive.write(here / "handout.md", "1-handout.md")
    archive.write(here / "sizes.csv", "2-sizes.csv")
    archive.writestr("media/image1.png", picture)

cues = "1\n00:00:01,000 --> 00:00:03,500\nA seat wants four hours.\n\n2\n00:00:04,000 --> 00:00:06,250\nSoak the <i>cane</i>\nfor twenty minutes.\n"
for name in ("cues.srt", "cues.vtt", "cues.ttml", "cues.lrc"):
    run("ffmpeg", "-y", "-f", "srt", "-i", "-", "-bitexact", name, input=cues.encode())
# Time-marked lines, hh:mm:ss:words.
project = aeidon.Project()
project.open_main(str(here / "cues.srt"), "utf-8")
project.save_main(aeidon.files.new(aeidon.formats.TMPLAYER, str(here / "cues-marked.txt"), "utf-8"))
if len(sys.argv) > 1:
    for name, code in (
        ("cues-list.json", "const { parseSync } = require('subtitle'); write(parseSync(read('cues.srt')))"),
        ("cues-tree.json", "const { parse } = require('node-webvtt'); write(parse(read('cues.vtt'), { meta: true }))"),
    ):
        wanted = f"const fs = require('fs'), read = (f) => fs.readFileSync('{here}/' + f, 'utf8'), write = (d) => fs.writeFileSync('{here / name}', JSON.stringify(d, null, 2) + '\\n');"
        subprocess.run(["node", "-e", wanted + code], check=True, cwd=sys.argv[1])
for name in ("tone.mp3", "tone.m4a", "tone.wav", "tone.ogg", "tone.webm"):
    run("ffmpeg", "-y", "-f", "lavfi", "-i", "sine=frequency=440:sample_rate=8000:duration=0.4", "-ac", "1", "-bitexact",
        *(["-c:a", "libopus"] if name.endswith(("ogg", "webm")) else []), name)
