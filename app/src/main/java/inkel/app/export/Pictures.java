package inkel.app.export;

import com.github.weisj.jsvg.SVGDocument;
import com.github.weisj.jsvg.attributes.ViewBox;
import com.github.weisj.jsvg.parser.SVGLoader;
import java.awt.Color;
import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.Graphics2D;
import java.awt.GraphicsEnvironment;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;

/** Drawings as pictures made of dots. */
public final class Pictures {
    /** Dots for each unit of a drawing, so that it can be enlarged. */
    private static final double SCALE = 2;

    private static final int MOST_DOTS = 12_000;
    private static final int OPAQUE = 0xFF000000;
    private static boolean hasFonts;

    private Pictures() {}

    /** A drawing as PNG, on the colour of the sheet. */
    static byte[] png(String svg) {
        return png(image(svg));
    }

    private static byte[] png(BufferedImage image) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", out);
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return out.toByteArray();
    }

    /**
     * A picture to look at, without a file's packing.
     *
     * @param colours row by row from the top left, each 0xAARRGGBB
     */
    public record Dots(int width, int height, int[] colours) {
        /** @param image without anything to be seen through, which is the picture's from then on */
        private static Dots of(BufferedImage image) {
            int[] colours = ((DataBufferInt) image.getRaster().getDataBuffer()).getData();
            for (int i = 0; i < colours.length; i++) {
                colours[i] |= OPAQUE;
            }
            return new Dots(image.getWidth(), image.getHeight(), colours);
        }
    }

    /** A drawing. */
    public static Dots ofSvg(byte[] svg) {
        return Dots.of(image(new String(svg, StandardCharsets.UTF_8)));
    }

    /** Each page. */
    public static List<Dots> ofPdf(byte[] pdf, int dotsAnInch) {
        List<Dots> pages = new ArrayList<>();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            PDFRenderer renderer = new PDFRenderer(document);
            for (int page = 0; page < document.getNumberOfPages(); page++) {
                pages.add(Dots.of(renderer.renderImageWithDPI(page, dotsAnInch, ImageType.RGB)));
            }
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return pages;
    }

    private static BufferedImage image(String svg) {
        bringFonts();
        SVGDocument document = new SVGLoader().load(new ByteArrayInputStream(svg.getBytes(StandardCharsets.UTF_8)));
        if (document == null) {
            throw new IllegalStateException("a drawing of our own cannot be read");
        }
        double longest = Math.max(document.size().width, document.size().height);
        double scale = Math.min(SCALE, MOST_DOTS / longest);
        int width = (int) Math.ceil(document.size().width * scale);
        int height = (int) Math.ceil(document.size().height * scale);
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = image.createGraphics();
        pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        pen.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
        pen.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        pen.setColor(Color.WHITE);
        pen.fillRect(0, 0, width, height);
        document.render(null, pen, new ViewBox(0, 0, width, height));
        pen.dispose();
        return image;
    }

    /** The letters that the window has too. */
    private static synchronized void bringFonts() {
        if (hasFonts) {
            return;
        }
        hasFonts = true;
        for (String name : List.of("Inter-Regular.otf", "Inter-Bold.otf", "Hack-Regular.ttf")) {
            try (InputStream file = Pictures.class.getResourceAsStream("/inkel/app/fonts/" + name)) {
                if (file != null) {
                    GraphicsEnvironment.getLocalGraphicsEnvironment()
                            .registerFont(Font.createFont(Font.TRUETYPE_FONT, file));
                }
            } catch (IOException | FontFormatException unreadable) {
                throw new IllegalStateException("a font that ships with the program cannot be read", unreadable);
            }
        }
    }
}
