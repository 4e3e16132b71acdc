#!/usr/bin/env bash
# Makes the files of foreign programs in this folder, from evening.md, columns.html, handout.ms and handbook.py. Needs Debian's
# pandoc, libreoffice-writer, libreoffice-calc, libreoffice-impress, abiword, weasyprint, chromium, groff, python3-docx,
# python3-reportlab, python3-markdown, python3-html2text, ffmpeg, mkvtoolnix, zip, libarchive-tools, mutt and s-nail. Run: core/test/samples/foreign/make.sh
set -euo pipefail
cd "$(dirname "$0")"
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
cp evening.md columns.html handout.ms handbook.py ../seat.png "$work"
here=$PWD
cd "$work"

office() { soffice --headless --convert-to "$1" --outdir "$3" "$2" >/dev/null 2>&1; }
for kind in docx odt rtf opml; do pandoc evening.md -s -o "pandoc.$kind"; done
pandoc evening.md -s --toc -o pandoc.html
pandoc evening.md -t gfm -s -o pandoc.md
pandoc evening.md -t commonmark_x -s -o pandoc-x.md
pandoc evening.md -t plain --wrap=none -o pandoc.txt
mkdir office
for kind in odt rtf html pdf 'txt:Text (encoded):UTF8'; do office "$kind" pandoc.docx office; done
office docx pandoc.odt office
for kind in odt rtf html pdf txt docx; do mv "office/pandoc.$kind" "office.$kind"; done
for kind in rtf docx; do abiword --to="$kind" -o "abiword.$kind" pandoc.docx >/dev/null 2>&1; done
weasyprint columns.html weasyprint.pdf 2>/dev/null
chromium --headless --no-sandbox --disable-gpu --no-pdf-header-footer --print-to-pdf=chromium.pdf columns.html >/dev/null 2>&1
groff -ms -Tpdf handout.ms >groff.pdf 2>/dev/null
groff -ms -Thtml handout.ms >groff.html 2>/dev/null
/usr/bin/python3 handbook.py
/usr/bin/python3 "$here/python.py"
printf 'Gauge;Width;For\nNo. 2;2,2 mm;"fine ""old"" seats"\nNo. 4;2,75 mm;kitchen chairs\n' >in.csv
soffice --headless --infilter='CSV:59,34,76,1' --convert-to ods in.csv >/dev/null 2>&1
soffice --headless --convert-to 'csv:Text - txt - csv (StarCalc):59,34,UTF16' --outdir office in.ods >/dev/null 2>&1
mv office/in.csv office-utf16.csv
soffice --headless --convert-to 'csv:Text - txt - csv (StarCalc):9,34,UTF8' --outdir office in.ods >/dev/null 2>&1
mv office/in.csv office.tsv
printf '1\n00:00:01,000 --> 00:00:03,500\nA seat wants four hours.\n\n2\n00:00:04,000 --> 00:00:06,250\nSoak the <i>cane</i>\nfor twenty minutes.\n' >in.srt
for kind in srt vtt ttml lrc ass; do ffmpeg -y -loglevel error -i in.srt "ffmpeg.$kind"; done
sound="-f lavfi -t 7 -i anullsrc=r=8000:cl=mono"
# shellcheck disable=SC2086
ffmpeg -y -loglevel error $sound -i in.srt -map 0 -map 1 -c:a aac -b:a 8k -c:s mov_text ffmpeg.mp4
# shellcheck disable=SC2086
ffmpeg -y -loglevel error $sound -c:a libvorbis sound.ogg
mkvmerge -q --webm -o mkvmerge.webm sound.ogg
mkvmerge -q -o mkvmerge.mkv sound.ogg --language 0:en in.srt
mkdir -p post/media
cp pandoc.md post/1-evening.md
cp seat.png post/
zip -qr zip.zip post
bsdtar -a -cf bsdtar.zip post
cp pandoc.{docx,odt,rtf,opml,html,md,txt} pandoc-x.md office.{docx,odt,rtf,html,pdf,txt,tsv} office-utf16.csv abiword.{rtf,docx} weasyprint.pdf chromium.pdf groff.pdf groff.html \
  reportlab.pdf python*.* ffmpeg.{srt,vtt,ttml,lrc,mp4} mkvmerge.mkv zip.zip bsdtar.zip "$here"

/usr/bin/python3 -c 'import sys, html2text; h = html2text.HTML2Text(); h.body_width = 0; sys.stdout.write(h.handle(sys.stdin.read()))' <pandoc.html >"$here"/html2text.md

# Mails: two programs write what they are given, with their own quoting in it; nothing is sent.
mail_with() { # NAME QUOTED-LINES ATTACHED
  printf 'Odile,\n\nsoak the cane for twenty minutes. Words in Größe and “quotes” – does that hold for No. 4 too?\n\n- a bundle of cane\n- twenty pegs\n\nBo\n\n%b\n-- \nBo, tools bench\nLarkfield Repair Hall\n' "$2" >/tmp/mail-body
  printf '#!/bin/sh\ncat >"%s/%s.eml"\n' "$here" "$1" >/tmp/mail-keep && chmod +x /tmp/mail-keep
}
subject='Re: Caning: how long, Größe'
mail_with mutt 'On Wed, Nov 04, 2026 at 09:12:00AM +0000, Odile wrote:\n> Read the list of tools before you come.\n> > What do I need?\n> A bucket.\n'
printf 'set sendmail=/tmp/mail-keep\nset from=bo@larkfield.example\nset realname=Bo\nset copy=no\nset text_flowed=yes\n' >/tmp/muttrc
mutt -F /tmp/muttrc -s "$subject" -a pandoc.odt -- odile@larkfield.example </tmp/mail-body
mail_with s-nail 'Odile wrote in\n <20261104091200.x@larkfield.example>:\n |Read the list of tools before you come.\n ||What do I need?\n |A bucket.\n'
s-nail -n -Smta=/tmp/mail-keep -Sfrom='Bo <bo@larkfield.example>' -Sttycharset=utf-8 -Ssendcharsets=utf-8 -s "$subject" odile@larkfield.example </tmp/mail-body
sed -i "s/@$(hostname)>/@larkfield.example>/" "$here"/mutt.eml "$here"/s-nail.eml
