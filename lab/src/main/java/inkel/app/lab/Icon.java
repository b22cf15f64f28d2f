package inkel.app.lab;

import com.github.weisj.jsvg.SVGDocument;
import com.github.weisj.jsvg.attributes.ViewBox;
import com.github.weisj.jsvg.parser.SVGLoader;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javax.imageio.ImageIO;

/** Draws the program's icon in every size that windows and desktops ask for. */
final class Icon {
    static final List<Integer> SIZES = List.of(16, 32, 64, 128, 256);

    private static final String DRAWING = "/inkel/app/icon/inkel.svg";

    private Icon() {}

    /** Writes a PNG of each size to a folder. */
    static void write(Path folder) throws IOException {
        Files.createDirectories(folder);
        for (int size : SIZES) {
            ImageIO.write(
                    draw(size), "png", folder.resolve("inkel-" + size + ".png").toFile());
        }
    }

    static BufferedImage draw(int size) {
        SVGDocument drawing = new SVGLoader().load(Icon.class.getResource(DRAWING));
        BufferedImage image = new BufferedImage(size, size, BufferedImage.TYPE_INT_ARGB);
        Graphics2D pen = image.createGraphics();
        pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        pen.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        drawing.render(null, pen, new ViewBox(0, 0, size, size));
        pen.dispose();
        return image;
    }
}
