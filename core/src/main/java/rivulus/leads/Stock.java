package rivulus.leads;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import rivulus.show.Device;
import rivulus.show.Owned;
import rivulus.show.Show;

/// What is in the cupboard, held against what a rig takes out of it.
///
/// Leads are given out longest need first, each the shortest that reaches; where a length is not
/// known any will do. That leaves as few needs unmet as can be: leads are nested by length.
public final class Stock {
    private final boolean counted;
    private final Map<String, List<Double>> free = new HashMap<>();
    private final List<LeadReport> unmet = new ArrayList<>();
    private final List<Device> missing = new ArrayList<>();

    private Stock(Show show) {
        counted = !show.rig().stock().isEmpty();
        for (Owned owned : show.rig().stock())
            for (int i = 0; i < owned.pieces(); i++)
                free.computeIfAbsent(owned.what(), _ -> new ArrayList<>()).add(owned.metres());
        free.values().forEach(lengths -> lengths.sort(Comparator.naturalOrder()));
    }

    /// What is left of the stock of a show.
    public static Stock of(Show show, List<LeadReport> leads) {
        Stock stock = new Stock(show);
        if (!stock.counted) return stock;
        List<LeadReport> needs = new ArrayList<>();
        for (LeadReport lead : leads)
            if (!lead.cable().toBuy() && lead.kind().filter(k -> k.isThing()).isPresent())
                needs.add(lead);
        needs.sort(Comparator.comparingDouble(lead -> -lead.cable().metres()));
        for (LeadReport lead : needs)
            if (!stock.take(lead.kindInWords(), lead.cable().metres())) stock.unmet.add(lead);
        for (Device device : show.rig().devices())
            if (stock.free.containsKey(device.template()) && !device.toBuy())
                if (!stock.take(device.template(), 0)) stock.missing.add(device);
        return stock;
    }

    private boolean take(String what, double metres) {
        List<Double> lengths = free.getOrDefault(what, List.of());
        for (int i = 0; i < lengths.size(); i++) {
            if (!reaches(lengths.get(i), metres)) continue;
            lengths.remove(i);
            return true;
        }
        return false;
    }

    private static boolean reaches(double length, double wanted) {
        return length == 0 || wanted == 0 || length >= wanted;
    }

    /// Whether so many of a kind of lead or box are still there.
    public boolean has(String what, int pieces) {
        return free.getOrDefault(what, List.of()).size() >= pieces;
    }

    /// The leads that are said to be owned and for which none is left.
    public List<LeadReport> shortOf() {
        return unmet;
    }

    /// The boxes that are said to be owned and of which none is left.
    public List<Device> missing() {
        return missing;
    }
}
