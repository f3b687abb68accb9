package rivulus.least;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.function.Consumer;
import java.util.function.IntSupplier;

/// Counts in clauses what variables that hold cost together, so that a solver may assume that it is
/// no more than so much: a tree in which every node says from its two halves how much they come to
/// at least (the totalizer of Bailleux and Boufkhad, 2003), cut off above what is asked for, and
/// grown when more is asked, or counted.
///
/// What a solver learns from these clauses holds under every bound. For n counted units and a bound
/// of k there are at most n · k variables and n · k² clauses.
final class Counter {
    private final IntSupplier variables;
    private final Consumer<List<Integer>> clauses;
    private final List<Node> added = new ArrayList<>();
    private Node root;

    /// @param variables gives a new variable
    /// @param clauses takes a clause
    Counter(IntSupplier variables, Consumer<List<Integer>> clauses) {
        this.variables = variables;
        this.clauses = clauses;
    }

    /// Counts a variable.
    ///
    /// @param cost at least 1
    void add(int variable, int cost) {
        List<Integer> all = new ArrayList<>();
        for (int i = 0; i < cost; i++) all.add(variable);
        added.add(new Node(null, null, all, cost));
    }

    /// A literal that holds wherever the cost is at least so much; empty where it cannot be.
    OptionalInt atLeast(int cost) {
        Node more = balanced(added);
        added.clear();
        if (root == null) root = more;
        else if (more != null) root = new Node(root, more);
        if (root == null || root.most < cost) return OptionalInt.empty();
        root.grow(cost);
        return OptionalInt.of(root.outputs.get(cost - 1));
    }

    private Node balanced(List<Node> nodes) {
        if (nodes.isEmpty()) return null;
        if (nodes.size() == 1) return nodes.getFirst();
        int half = nodes.size() / 2;
        return new Node(
                balanced(nodes.subList(0, half)), balanced(nodes.subList(half, nodes.size())));
    }

    /// Some of what is counted.
    private final class Node {
        private final Node left;
        private final Node right;
        /// The nth holds where it comes to at least n + 1.
        private final List<Integer> outputs;

        private final int most;

        Node(Node left, Node right) {
            this(left, right, new ArrayList<>(), left.most + right.most);
        }

        Node(Node left, Node right, List<Integer> outputs, int most) {
            this.left = left;
            this.right = right;
            this.outputs = outputs;
            this.most = most;
        }

        /// Says of every cost up to so much whether it comes to that.
        void grow(int cost) {
            int told = outputs.size();
            int wanted = Math.min(cost, most);
            if (wanted <= told) return;
            left.grow(wanted);
            right.grow(wanted);
            for (int i = told; i < wanted; i++) outputs.add(variables.getAsInt());
            for (int sum = told + 1; sum <= wanted; sum++)
                for (int l = Math.max(0, sum - right.most); l <= Math.min(sum, left.most); l++) {
                    List<Integer> clause = new ArrayList<>();
                    if (l > 0) clause.add(-left.outputs.get(l - 1));
                    if (sum > l) clause.add(-right.outputs.get(sum - l - 1));
                    clause.add(outputs.get(sum - 1));
                    clauses.accept(clause);
                }
        }
    }
}
