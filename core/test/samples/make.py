"""Makes the office samples of the tests: one handout as flat OpenDocument, saved by LibreOffice as ODT, DOCX, RTF
and PDF. Needs Debian's libreoffice-writer. Run: python3 core/test/samples/make.py"""
import base64, pathlib, subprocess

here = pathlib.Path(__file__).parent
picture = base64.b64encode((here / "seat.png").read_bytes()).decode()
ROOT = """<?xml version="1.0" encoding="UTF-8"?>
<office:document xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0" xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0" xmlns:style="urn:oasis:names:tc:opendocument:xmlns:style:1.0" xmlns:fo="urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0" xmlns:table="urn:oasis:names:tc:opendocument:xmlns:table:1.0" xmlns:draw="urn:oasis:names:tc:opendocument:xmlns:drawing:1.0" xmlns:svg="urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0" xmlns:xlink="http://www.w3.org/1999/xlink" xmlns:dc="http://purl.org/dc/elements/1.1/" office:version="1.3" office:mimetype="application/vnd.oasis.opendocument.text">"""


def save(name, flat, *kinds):
    source = here / f"{name}.fodt"
    source.write_text(flat)
    for kind in kinds:
        subprocess.run(["soffice", "--headless", "--convert-to", kind, "--outdir", str(here), str(source)], check=True, capture_output=True)
    source.unlink()


body = f"""
<text:p text:style-name="Title">Caning a chair</text:p>
<text:p text:style-name="Standard">A seat wants <text:span text:style-name="B">four hours</text:span> and a <text:span text:style-name="I">bowl of water</text:span>. Read <text:a xlink:type="simple" xlink:href="https://larkfield.example/tools">the list of tools</text:a> first.<text:note text:id="n1" text:note-class="footnote"><text:note-citation>1</text:note-citation><text:note-body><text:p text:style-name="Standard">Four hours without the soaking.</text:p></text:note-body></text:note></text:p>
<text:p text:style-name="Standard"/>
<text:h text:style-name="Heading_20_1" text:outline-level="1">What you need</text:h>
<text:list text:style-name="L1"><text:list-item><text:p>A bundle of cane</text:p></text:list-item><text:list-item><text:p>Twenty pegs</text:p><text:list><text:list-item><text:p>wooden ones</text:p></text:list-item></text:list></text:list-item><text:list-item><text:p>A bucket</text:p></text:list-item></text:list>
<text:h text:style-name="Heading_20_1" text:outline-level="1">The steps</text:h>
<text:list text:style-name="L2"><text:list-item><text:p>Soak the cane.</text:p></text:list-item><text:list-item><text:p>Peg the first strand.</text:p></text:list-item><text:list-item><text:p>Work across the seat.<office:annotation><dc:creator>Odile</dc:creator><text:p>Is this right?</text:p></office:annotation></text:p></text:list-item></text:list>
<text:p text:style-name="Standard"><draw:frame draw:name="Seat" text:anchor-type="as-char" svg:width="4cm" svg:height="3cm"><draw:image><office:binary-data>{picture}</office:binary-data></draw:image><svg:desc>A caned seat from above</svg:desc></draw:frame></text:p>
<text:h text:style-name="Heading_20_2" text:outline-level="2">Sizes of cane</text:h>
<table:table table:name="T"><table:table-column table:number-columns-repeated="3"/>
<table:table-row><table:table-cell office:value-type="string"><text:p>Gauge</text:p></table:table-cell><table:table-cell office:value-type="string"><text:p>Width</text:p></table:table-cell><table:table-cell office:value-type="string"><text:p>For</text:p></table:table-cell></table:table-row>
<table:table-row><table:table-cell office:value-type="string"><text:p>No. 2</text:p></table:table-cell><table:table-cell office:value-type="string"><text:p>2.2 mm</text:p></table:table-cell><table:table-cell office:value-type="string"><text:p>fine seats</text:p></table:table-cell></table:table-row>
<table:table-row><table:table-cell office:value-type="string"><text:p>No. 4</text:p></table:table-cell><table:table-cell office:value-type="string"><text:p>2.75 mm</text:p></table:table-cell><table:table-cell office:value-type="string"><text:p>kitchen chairs</text:p></table:table-cell></table:table-row>
</table:table>
<text:p text:style-name="Standard">Leave it overnight in a cool room, and do not sit on it before the morning, however sure you are that it is dry.</text:p>
"""
flat = f"""{ROOT}
<office:styles>
<style:style style:name="Standard" style:family="paragraph"/>
<style:style style:name="Heading_20_1" style:display-name="Heading 1" style:family="paragraph" style:parent-style-name="Standard" style:default-outline-level="1"><style:text-properties fo:font-size="18pt"/></style:style>
<style:style style:name="Heading_20_2" style:display-name="Heading 2" style:family="paragraph" style:parent-style-name="Standard" style:default-outline-level="2"><style:text-properties fo:font-size="15pt"/></style:style>
<style:style style:name="Title" style:family="paragraph" style:parent-style-name="Standard"><style:text-properties fo:font-size="26pt"/></style:style>
</office:styles>
<office:automatic-styles>
<style:style style:name="B" style:family="text"><style:text-properties fo:font-weight="bold"/></style:style>
<style:style style:name="I" style:family="text"><style:text-properties fo:font-style="italic"/></style:style>
<text:list-style style:name="L1">{"".join(f'<text:list-level-style-bullet text:level="{n}" text:bullet-char="•"><style:list-level-properties text:list-level-position-and-space-mode="label-alignment"><style:list-level-label-alignment text:label-followed-by="listtab" fo:text-indent="-0.6cm" fo:margin-left="{n * 1.2}cm"/></style:list-level-properties></text:list-level-style-bullet>' for n in (1, 2))}</text:list-style>
<text:list-style style:name="L2"><text:list-level-style-number text:level="1" style:num-suffix="." style:num-format="1"><style:list-level-properties text:list-level-position-and-space-mode="label-alignment"><style:list-level-label-alignment text:label-followed-by="listtab" fo:text-indent="-0.6cm" fo:margin-left="1.2cm"/></style:list-level-properties></text:list-level-style-number></text:list-style>
</office:automatic-styles>
<office:body><office:text>{body}</office:text></office:body>
</office:document>"""
save("handout", flat, "odt", "docx", "rtf", "pdf")

# Headings told by their outline level alone: their style is called something else and says nothing.
levels = f"""{ROOT}
<office:styles><style:style style:name="Standard" style:family="paragraph"/><style:style style:name="Band" style:family="paragraph" style:parent-style-name="Standard"/></office:styles>
<office:body><office:text>
<text:h text:style-name="Band" text:outline-level="1">Before the cane</text:h>
<text:p text:style-name="Standard">Take the old seat out.</text:p>
<text:h text:style-name="Band" text:outline-level="2">Cutting it free</text:h>
<text:p text:style-name="Standard">A sharp knife does it.</text:p>
</office:text></office:body></office:document>"""
save("outline-levels", levels, "docx")
