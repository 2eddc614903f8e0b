package taxon.app.frame;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/**
 * Ten types have ten tints that are told apart, by day and by night, also by people who see colours otherwise.
 *
 * <p>Distances are those of OKLab (B. Ottosson, "A perceptual color space for image processing", 2020), in which two surfaces begin to
 * differ at about 0.02; how colours are seen without one kind of cone is by Machado, Oliveira and Fernandes, "A physiologically-based
 * model for simulation of color vision deficiency", 2009, severity 1; contrast is that of WCAG 2.2, 1.4.3. All from memory.
 */
class TintsTest {
    private static final double APART = 0.06;
    private static final double READABLE = 4.5;
    private static final String TINT = "--t\\d: (#[0-9A-Fa-f]{6})";
    private static final double[][][] VISIONS = {
        {{1, 0, 0}, {0, 1, 0}, {0, 0, 1}},
        {{0.152286, 1.052583, -0.204868}, {0.114503, 0.786281, 0.099216}, {-0.003882, -0.048116, 1.051998}},
        {{0.367322, 0.860646, -0.227968}, {0.280085, 0.672501, 0.047413}, {-0.011820, 0.042940, 0.968881}},
        {{1.255528, -0.076749, -0.178779}, {-0.078411, 0.930809, 0.147602}, {0.004733, 0.691367, 0.303900}},
    };
    private static final double[][] TO_CONES = {
        {0.4122214708, 0.5363325363, 0.0514459929},
        {0.2119034982, 0.6806995451, 0.1073969566},
        {0.0883024619, 0.2817188376, 0.6299787005}
    };
    private static final double[][] TO_LAB = {
        {0.2104542553, 0.7936177850, -0.0040720468},
        {1.9779984951, -2.4285922050, 0.4505937099},
        {0.0259040371, 0.7827717662, -0.8086757660}
    };

    @Test
    void tenTintsAreToldApartByEveryEye() throws IOException {
        List<List<double[]>> palettes = colours(TINT, 10);
        assertThat(palettes).as("one by day, one by night").hasSize(2);
        for (List<double[]> palette : palettes) {
            for (double[][] vision : VISIONS) {
                assertThat(nearest(palette, vision)).isGreaterThan(APART);
            }
        }
    }

    @Test
    void whatStandsOnATintCanBeRead() throws IOException {
        List<List<double[]>> palettes = colours(TINT, 10);
        List<List<double[]>> inks = colours("--ink: (#[0-9A-Fa-f]{6})", 1);
        for (int i = 0; i < palettes.size(); i++) {
            double ink = luminance(inks.get(i).get(0));
            palettes.get(i)
                    .forEach(tint -> assertThat(contrast(luminance(tint), ink)).isGreaterThan(READABLE));
        }
    }

    private static double nearest(List<double[]> palette, double[][] vision) {
        double nearest = Double.MAX_VALUE;
        for (int a = 0; a < palette.size(); a++) {
            for (int b = a + 1; b < palette.size(); b++) {
                nearest = Math.min(nearest, distance(seen(palette.get(a), vision), seen(palette.get(b), vision)));
            }
        }
        return nearest;
    }

    private static List<List<double[]>> colours(String pattern, int each) throws IOException {
        Matcher m = Pattern.compile(pattern).matcher(Files.readString(Path.of("src/main/styles/taxon.css")));
        List<List<double[]>> all = new ArrayList<>();
        List<double[]> now = new ArrayList<>();
        while (m.find()) {
            now.add(linear(m.group(1)));
            if (now.size() == each) {
                all.add(List.copyOf(now));
                now.clear();
            }
        }
        return all;
    }

    private static double[] linear(String hex) {
        double[] rgb = new double[3];
        for (int i = 0; i < 3; i++) {
            double v = Integer.parseInt(hex.substring(1 + 2 * i, 3 + 2 * i), 16) / 255.0;
            rgb[i] = v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4);
        }
        return rgb;
    }

    private static double[] seen(double[] rgb, double[][] vision) {
        double[] seen = times(vision, rgb);
        for (int i = 0; i < 3; i++) {
            seen[i] = Math.max(0, Math.min(1, seen[i]));
        }
        double[] cones = times(TO_CONES, seen);
        for (int i = 0; i < 3; i++) {
            cones[i] = Math.cbrt(cones[i]);
        }
        return times(TO_LAB, cones);
    }

    private static double[] times(double[][] matrix, double[] v) {
        double[] product = new double[3];
        for (int i = 0; i < 3; i++) {
            product[i] = matrix[i][0] * v[0] + matrix[i][1] * v[1] + matrix[i][2] * v[2];
        }
        return product;
    }

    private static double distance(double[] a, double[] b) {
        return Math.sqrt(Math.pow(a[0] - b[0], 2) + Math.pow(a[1] - b[1], 2) + Math.pow(a[2] - b[2], 2));
    }

    private static double luminance(double[] rgb) {
        return 0.2126 * rgb[0] + 0.7152 * rgb[1] + 0.0722 * rgb[2];
    }

    private static double contrast(double a, double b) {
        return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
    }
}
