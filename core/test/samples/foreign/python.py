"""What libraries of Python write: a document with headings that are only bold, numbered lists and a field for a link (python-docx);
a page (markdown); mails (email); tables (csv); an outline (xml). Called by make.sh in its own folder."""
import csv, email.policy, markdown, xml.etree.ElementTree as xml
from email.message import EmailMessage
from docx import Document
from docx.oxml import OxmlElement
from docx.oxml.ns import qn

doc = Document()
doc.core_properties.title = "Before the winter"
doc.add_paragraph("Before the winter", style="Title")
doc.add_paragraph().add_run("Look at every wick").bold = True
doc.add_paragraph("A wick that is black at its end is trimmed, and one that is short is thrown away.")
doc.add_paragraph().add_run("Clean the glass").bold = True
link = doc.add_paragraph("With warm water and ")
for kind, text in (("begin", None), (None, ' HYPERLINK \\o "A tip" "https://larkfield.example/soap" '), ("separate", None), ("text", "a little soap"), ("end", None)):
    run = OxmlElement("w:r")
    if kind in ("begin", "separate", "end"):
        node = OxmlElement("w:fldChar"); node.set(qn("w:fldCharType"), kind)
    else:
        node = OxmlElement("w:instrText" if kind is None else "w:t"); node.text = text; node.set(qn("xml:space"), "preserve")
    run.append(node); link._p.append(run)
link.add_run(".")
for text in ("Wash it", "Dry it"): doc.add_paragraph(text, style="List Number")
for text in ("a cloth", "a towel"): doc.add_paragraph(text, style="List Bullet")
table = doc.add_table(rows=3, cols=3)
for cell, text in zip((c for r in table.rows for c in r.cells), "Lamp Where Wick Hall,north Door flat Desk Office round".split()): cell.text = text.replace(",", " ")
table.cell(0, 0).merge(table.cell(0, 1))
doc.add_paragraph("Dry glass cracks no more.", style="Intense Quote")
doc.save("python.docx")

words = open("evening.md").read().split("---\n", 2)[2]
page = markdown.markdown(words, extensions=["tables", "footnotes", "def_list", "fenced_code"])
open("python.html", "w").write(f'<!doctype html><html><head><meta charset="utf-8"><title>An evening of caning</title></head><body>\n<nav><a href="/">Home</a> <a href="/posts">Posts</a></nav>\n<h1>An evening of caning</h1>\n{page}\n<footer>© Larkfield</footer></body></html>\n')

def mail(name, subject, text, html=None, attach=None):
    m = EmailMessage(policy=email.policy.SMTP)
    m["From"], m["To"], m["Subject"] = "Odile <odile@larkfield.example>", "desk@larkfield.example", subject
    m["Date"], m["Message-ID"] = "Thu, 05 Nov 2026 19:30:00 +0000", f"<{name}@larkfield.example>"
    m.set_content(text)
    if html: m.add_alternative(html, subtype="html")
    if attach: m.add_attachment(open(attach, "rb").read(), maintype="application", subtype="vnd.oasis.opendocument.text", filename=attach)
    open(name, "wb").write(m.as_bytes())

mail("python-answer.eml", "Re: Caning: the handout, änew", "Soak the cane for twenty minutes – no longer.\n\nOdile\n\n-- \nOdile, Larkfield\n\nOn Wed, 4 Nov 2026 at 9:12, Bo <bo@larkfield.example> wrote:\n> How long does the cane soak?\n> Bo\n")
mail("python-rich.eml", "Fwd: Caning", "The plain part.", '<div>For the handbook.</div><div class="mail_quote"><div>---------- Forwarded message ----------<br>From: Bo<br>Date: Wed<br>Subject: Caning<br>To: Odile</div><p>Soak the <b>cane</b> for <i>twenty</i> minutes.</p><ul><li>Pegs</li><li>A bucket</li></ul></div>', "pandoc.odt")

rows = [["Gauge", "Width", "For"], ["No. 2", "2,2 mm", 'fine "old" seats'], ["No. 4", "2,75 mm", "kitchen\nchairs"]]
for name, dialect in (("python.csv", "excel"), ("python.tsv", "excel-tab")):
    with open(name, "w", newline="") as f: csv.writer(f, dialect).writerows(rows)

opml = xml.Element("opml", version="2.0")
xml.SubElement(xml.SubElement(opml, "head"), "title").text = "An evening of caning"
body = xml.SubElement(opml, "body")
for heading, points in (("What you need", ("A bundle of cane", "Twenty pegs")), ("The steps", ("Soak the cane", "Peg the first strand"))):
    node = xml.SubElement(body, "outline", text=heading)
    for point in points: xml.SubElement(node, "outline", text=point)
xml.ElementTree(opml).write("python.opml", encoding="utf-8", xml_declaration=True)
