package taxon.app.paperwork;

import com.openhtmltopdf.extend.FSObjectDrawer;
import com.openhtmltopdf.extend.FSObjectDrawerFactory;
import com.openhtmltopdf.extend.OutputDevice;
import com.openhtmltopdf.render.RenderingContext;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Shape;
import java.awt.geom.Rectangle2D;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.w3c.dom.Element;
import taxon.app.printing.CodeSquare;
import taxon.core.paper.PaperCode;

/** Draws the code of a card where its page has an object of that type, as large as the page says. */
final class CodeDrawer implements FSObjectDrawer {
    static final FSObjectDrawerFactory FACTORY = new FSObjectDrawerFactory() {
        @Override
        public @Nullable FSObjectDrawer createDrawer(Element e) {
            return isReplacedObject(e) ? new CodeDrawer() : null;
        }

        @Override
        public boolean isReplacedObject(Element e) {
            return e.getAttribute("type").equals(TYPE);
        }
    };

    private static final String TYPE = "taxon/code";

    @Override
    public @Nullable Map<Shape, String> drawObject(
            Element e,
            double x,
            double y,
            double width,
            double height,
            OutputDevice outputDevice,
            RenderingContext ctx,
            int dotsPerPixel) {
        CodeSquare square = new CodeSquare(new PaperCode(e.getAttribute("data")));
        outputDevice.drawWithGraphics(
                (float) x,
                (float) y,
                (float) width / dotsPerPixel,
                (float) height / dotsPerPixel,
                graphics -> draw(graphics, square, (float) width / dotsPerPixel));
        return null;
    }

    private static void draw(Graphics2D graphics, CodeSquare square, float side) {
        graphics.setColor(Color.BLACK);
        square.draw(side, (x, y, w, h) -> graphics.fill(new Rectangle2D.Float(x, y, w, h)));
    }
}
