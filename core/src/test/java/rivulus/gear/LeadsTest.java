package rivulus.gear;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rivulus.file.Templates;

class LeadsTest {
    private final Leads leads = Templates.leads();

    @ParameterizedTest
    @CsvSource({
        "XLR, XLR, XLR lead",
        "XLR combo, XLR, XLR lead",
        "XLR, 6.3 mm balanced, XLR to 6.3 mm balanced lead",
        "3.5 mm, RCA pair, 3.5 mm stereo to RCA pair lead",
        "USB-A, USB-C, USB-A to USB-C lead",
        "USB-C, USB-A, USB-A to USB-C lead",
        "optical, optical, optical lead"
    })
    void theRightLeadIsFoundEitherWayRound(String a, String b, String name) {
        assertThat(leads.between(a, b)).map(LeadKind::name).contains(name);
        assertThat(leads.between(b, a)).map(LeadKind::name).contains(name);
    }

    @ParameterizedTest
    @CsvSource({
        "XLR, USB-C",
        "HDMI, XLR",
        "optical, 3.5 mm",
        "network, phone network",
        "plug, plug"
    })
    void whatNobodySoldersIsNotFound(String a, String b) {
        assertThat(leads.between(a, b)).isEmpty();
    }

    @Test
    void aCombinedJackTakesTheBalancedPlugFirst() {
        LeadKind kind = leads.between("XLR combo", "XLR").orElseThrow();
        assertThat(kind.balanced()).isTrue();
        assertThat(leads.between("6.3 mm", "XLR combo")).map(LeadKind::balanced).contains(false);
    }

    @Test
    void lightJoinsNoGroundsAndLongLeadsAreBalanced() {
        assertThat(leads.between("optical", "optical").orElseThrow().conducts()).isFalse();
        assertThat(leads.between("XLR", "XLR").orElseThrow().longestM()).isEqualTo(100);
        assertThat(leads.between("3.5 mm", "3.5 mm").orElseThrow().longestM()).isLessThan(10);
    }
}
