"""Two slides as the standard describes them (ECMA-376, PresentationML), packed by Python's zipfile: no library for slides is at hand."""
import zipfile

A = 'xmlns:a="http://schemas.openxmlformats.org/drawingml/2006/main" xmlns:p="http://schemas.openxmlformats.org/presentationml/2006/main"'
shape = lambda kind, lines: f'<p:sp><p:nvSpPr><p:nvPr><p:ph type="{kind}"/></p:nvPr></p:nvSpPr><p:txBody>{"".join(lines)}</p:txBody></p:sp>'
line = lambda text, level=0: f'<a:p><a:pPr lvl="{level}"/><a:r><a:t>{text}</a:t></a:r></a:p>'
slide = lambda *shapes: f'<?xml version="1.0"?><p:sld {A}><p:cSld><p:spTree>{"".join(shapes)}</p:spTree></p:cSld></p:sld>'
with zipfile.ZipFile("python.pptx", "w", zipfile.ZIP_DEFLATED) as z:
    z.writestr("[Content_Types].xml", "<Types/>")
    z.writestr("ppt/slides/slide1.xml", slide(shape("title", [line("Before the winter")]), shape("body", [line("Look at every wick"), line("the black ones first", 1), line("Clean the glass")]), shape("sldNum", [line("1")])))
    z.writestr("ppt/slides/slide2.xml", slide(shape("body", [line("Dry glass cracks no more")])))
    z.writestr("ppt/slides/_rels/slide1.xml.rels", '<Relationships><Relationship Id="r1" Target="../notesSlides/notesSlide1.xml"/></Relationships>')
    z.writestr("ppt/notesSlides/notesSlide1.xml", slide(shape("body", [line("Tell them of the cracked lamp.")]), shape("sldNum", [line("1")])).replace("p:sld", "p:notes"))
