package rivulus.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/// Contrast and colour by number, in both themes (WCAG 2 contrast; colour vision after Machado and
/// others 2009).
class ThemesTest {
    private static final List<String> GROUNDS = List.of("ground", "surface", "bed");

    private static final double[][] PROTAN = {
        {0.152286, 1.052583, -0.204868},
        {0.114503, 0.786281, 0.099216},
        {-0.003882, -0.048116, 1.051998}
    };
    private static final double[][] DEUTAN = {
        {0.367322, 0.860646, -0.227968},
        {0.280085, 0.672501, 0.047413},
        {-0.011820, 0.042940, 0.968881}
    };
    private static final double[][] TRITAN = {
        {1.255528, -0.076749, -0.178779},
        {-0.078411, 0.930809, 0.147602},
        {0.004733, 0.691367, 0.303900}
    };
    private static final double[][] USUAL = {{1, 0, 0}, {0, 1, 0}, {0, 0, 1}};

    private static Map<String, String> colours(String theme) throws IOException {
        Map<String, String> colours = new HashMap<>();
        String css = Files.readString(Path.of("src/main/resources/rivulus/app/" + theme + ".css"));
        Matcher matcher = Pattern.compile("-([a-z0-9-]+): (#[0-9A-F]{6});").matcher(css);
        while (matcher.find()) colours.put(matcher.group(1), matcher.group(2));
        return colours;
    }

    private static double[] linear(String hex) {
        double[] rgb = new double[3];
        for (int i = 0; i < 3; i++) {
            double c = Integer.parseInt(hex.substring(1 + 2 * i, 3 + 2 * i), 16) / 255.0;
            rgb[i] = c <= 0.04045 ? c / 12.92 : Math.pow((c + 0.055) / 1.055, 2.4);
        }
        return rgb;
    }

    private static double contrast(String a, String b) {
        double la = luminance(linear(a)) + 0.05;
        double lb = luminance(linear(b)) + 0.05;
        return Math.max(la, lb) / Math.min(la, lb);
    }

    private static double luminance(double[] rgb) {
        return 0.2126 * rgb[0] + 0.7152 * rgb[1] + 0.0722 * rgb[2];
    }

    @ParameterizedTest
    @ValueSource(strings = {"day", "night"})
    void textStandsOutFourAndAHalfToOneAndMarksThreeToOne(String theme) throws IOException {
        Map<String, String> colours = colours(theme);
        for (String ground : GROUNDS) {
            for (String text : List.of("ink", "ink-soft", "danger", "problem", "caution", "note")) {
                assertThat(contrast(colours.get(text), colours.get(ground)))
                        .as(text + " on " + ground)
                        .isGreaterThanOrEqualTo(4.5);
            }
            assertThat(contrast(colours.get("lantern-line"), colours.get(ground)))
                    .as("lantern on " + ground)
                    .isGreaterThanOrEqualTo(3);
        }
        assertThat(contrast(colours.get("lantern-ink"), colours.get("lantern")))
                .isGreaterThanOrEqualTo(4.5);
        for (int hue = 1; hue <= 8; hue++) {
            for (String ground : List.of("ground", "bed")) {
                assertThat(contrast(colours.get("source-" + hue), colours.get(ground)))
                        .as("source %d on %s", hue, ground)
                        .isGreaterThanOrEqualTo(3);
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"day", "night"})
    void theEightHuesStayApartForEveryKindOfColourVision(String theme) throws IOException {
        Map<String, String> colours = colours(theme);
        for (double[][] eye : List.of(USUAL, PROTAN, DEUTAN, TRITAN)) {
            List<double[]> seen = new ArrayList<>();
            for (int hue = 1; hue <= 8; hue++)
                seen.add(lab(seenBy(eye, linear(colours.get("source-" + hue)))));
            for (int a = 0; a < 8; a++) {
                for (int b = 0; b < a; b++) {
                    assertThat(distance(seen.get(a), seen.get(b)))
                            .as("sources %d and %d", b + 1, a + 1)
                            .isGreaterThan(12);
                }
            }
        }
    }

    private static double[] seenBy(double[][] eye, double[] rgb) {
        double[] seen = new double[3];
        for (int i = 0; i < 3; i++) {
            for (int j = 0; j < 3; j++) seen[i] += eye[i][j] * rgb[j];
            seen[i] = Math.clamp(seen[i], 0, 1);
        }
        return seen;
    }

    /// CIE L*a*b* of linear sRGB, white D65.
    private static double[] lab(double[] rgb) {
        double x = f((0.4124 * rgb[0] + 0.3576 * rgb[1] + 0.1805 * rgb[2]) / 0.95047);
        double y = f(luminance(rgb));
        double z = f((0.0193 * rgb[0] + 0.1192 * rgb[1] + 0.9505 * rgb[2]) / 1.08883);
        return new double[] {116 * y - 16, 500 * (x - y), 200 * (y - z)};
    }

    private static double f(double t) {
        return t > 0.008856 ? Math.cbrt(t) : 7.787 * t + 16.0 / 116;
    }

    private static double distance(double[] a, double[] b) {
        return Math.sqrt(
                Math.pow(a[0] - b[0], 2) + Math.pow(a[1] - b[1], 2) + Math.pow(a[2] - b[2], 2));
    }

    @Test
    void bothThemesNameTheSameColours() throws IOException {
        assertThat(colours("day").keySet()).isEqualTo(colours("night").keySet());
    }

    @Test
    void noColourStandsInTheCodeNorInTheSharedSheet() throws IOException {
        Pattern colour = Pattern.compile("#[0-9A-Fa-f]{3,6}\\b|javafx\\.scene\\.paint|\\brgba?\\(");
        try (Stream<Path> files = Files.walk(Path.of("src/main"))) {
            for (Path file :
                    files.filter(f -> f.toString().matches(".*(\\.java|rivulus\\.css)")).toList()) {
                assertThat(Files.readString(file))
                        .as(file.toString())
                        .doesNotContainPattern(colour);
            }
        }
    }
}
