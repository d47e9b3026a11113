package idlelens.exchange.collada;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.scenefile.Unread;
import java.io.ByteArrayInputStream;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.Map;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/** The elements of a document. A document type is refused: with it, entities could come in. */
final class XmlTree {
  private static final int MOST_ELEMENTS = 500_000;

  private XmlTree() {}

  static Element read(byte[] octets) throws FormatException {
    if (octets.length == 0) {
      throw new FormatException("file", "empty", "a COLLADA document");
    }
    XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
    factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
    factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
    factory.setProperty(XMLInputFactory.IS_REPLACING_ENTITY_REFERENCES, false);
    factory.setProperty(XMLInputFactory.IS_COALESCING, false);
    try {
      return read(factory.createXMLStreamReader(new ByteArrayInputStream(octets)));
    } catch (XMLStreamException e) {
      throw new FormatException(place(e), "not well formed", "XML of COLLADA 1.4.1");
    } catch (RuntimeException e) { // the parser's own, on octets that are no letters
      throw new FormatException("file", "no text that can be read", "XML of COLLADA 1.4.1");
    }
  }

  private static String place(XMLStreamException e) {
    return e.getLocation() == null
        ? "file"
        : "line "
            + e.getLocation().getLineNumber()
            + ", column "
            + e.getLocation().getColumnNumber();
  }

  private static Element read(XMLStreamReader xml) throws XMLStreamException, FormatException {
    Deque<Element> open = new ArrayDeque<>();
    Element root = null;
    int count = 0;
    while (xml.hasNext()) {
      int event = xml.next();
      int line = xml.getLocation().getLineNumber();
      switch (event) {
        case XMLStreamConstants.START_ELEMENT:
          Element element = new Element(xml.getLocalName(), attributes(xml), line);
          if (open.size() >= Unread.DEEPEST || ++count > MOST_ELEMENTS) {
            throw new FormatException(
                element.place(),
                open.size() >= Unread.DEEPEST
                    ? "nested deeper than " + Unread.DEEPEST
                    : "one of too many",
                "at most " + Unread.DEEPEST + " deep and " + MOST_ELEMENTS + " elements");
          }
          if (open.isEmpty()) {
            root = element;
          } else {
            open.peek().add(element);
          }
          open.push(element);
          break;
        case XMLStreamConstants.END_ELEMENT:
          open.pop();
          break;
        case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA:
          if (!open.isEmpty()) {
            open.peek().addText(xml.getText());
          }
          break;
        case XMLStreamConstants.DTD, XMLStreamConstants.ENTITY_REFERENCE:
          throw new FormatException(
              "line " + line, "a document type or an entity", "a document without them");
        default:
      }
    }
    return root;
  }

  private static Map<String, String> attributes(XMLStreamReader xml) {
    Map<String, String> all = new HashMap<>();
    for (int i = 0; i < xml.getAttributeCount(); i++) {
      all.put(xml.getAttributeLocalName(i), xml.getAttributeValue(i));
    }
    return all;
  }
}
