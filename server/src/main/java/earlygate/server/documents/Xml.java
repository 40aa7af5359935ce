package earlygate.server.documents;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilder;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.w3c.dom.Document;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;
import org.xml.sax.helpers.DefaultHandler;

/** XML as a tree; it may come from anywhere, so it loads nothing and declares nothing. */
final class Xml {
    private Xml() {}

    static Document read(String text) throws SAXException {
        try {
            DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
            factory.setNamespaceAware(true);
            factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
            DocumentBuilder builder = factory.newDocumentBuilder();
            // What can't be read is told to who sent it; nothing is printed of it here.
            builder.setErrorHandler(new DefaultHandler());
            return builder.parse(new InputSource(new StringReader(text)));
        } catch (ParserConfigurationException e) {
            throw new IllegalStateException(e);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
