package dev.deftchisel.extract.flow;

import com.sun.source.tree.AssignmentTree;
import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.NewArrayTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreeScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Effects;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.extract.SelectedExpression;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.TypeMirror;

/**
 * Compares two pieces of code node by node: they are alike when one becomes the other by giving variables of the body
 * other names, each consistently, and by putting other values of the same type in the place of some that never change
 * meanwhile.
 */
public final class TreeMatch {

    private final AttributedFile code;
    private final Fragment one;
    private final AttributedFile there;
    private final Range otherRange;
    private final Effects effects;
    private final Set<Element> written;
    private Map<Element, Element> variables = new LinkedHashMap<>();
    private Map<Tree, TreePath> pairs = new IdentityHashMap<>();
    private List<TreePath> varied = new ArrayList<>();

    private TreeMatch(AttributedFile code, Fragment one, AttributedFile there, Range otherRange) {
        this.code = code;
        this.one = one;
        this.there = there;
        this.otherRange = otherRange;
        this.effects = one.parts().stream().map(code::effects).reduce(Effects.NONE, Effects::and);
        this.written = effects.writesLocals();
    }

    /**
     * What has become of a piece of code in another.
     *
     * @param variables by variable of the first, that of the other
     * @param pairs     by expression of the first, that of the other
     * @param varied    the values of the first in whose place the other has something else
     */
    public record Match(Map<Element, Element> variables, Map<Tree, TreePath> pairs, List<TreePath> varied) {
    }

    /**
     * Empty when the two are not alike.
     *
     * @param there the file of the other, whose types can be compared
     */
    public static Optional<Match> of(AttributedFile code, Fragment one, AttributedFile there, Fragment other) {
        TreeMatch likeness = new TreeMatch(code, one, there, other.range());
        for (int i = 0; i < other.parts().size(); i++) {
            if (!likeness.isSame(one.parts().get(i), other.parts().get(i))) {
                return Optional.empty();
            }
        }
        return Optional.of(new Match(likeness.variables, likeness.pairs, likeness.varied));
    }

    private boolean matches(TreePath left, TreePath right) {
        Map<Element, Element> knownVariables = new LinkedHashMap<>(variables);
        Map<Tree, TreePath> knownPairs = new IdentityHashMap<>(pairs);
        List<TreePath> knownVaried = new ArrayList<>(varied);
        if (isSame(left, right)) {
            return true;
        }
        variables = knownVariables;
        pairs = knownPairs;
        varied = knownVaried;
        if (!mayVary(left, right)) {
            return false;
        }
        pairs.put(left.getLeaf(), right);
        varied.add(left);
        return true;
    }

    private boolean isSame(TreePath left, TreePath right) {
        Tree first = left.getLeaf();
        Tree second = right.getLeaf();
        if (first.getKind() != second.getKind() || !isSameElement(left, right)) {
            return false;
        }
        List<Tree> ofFirst = children(code, first);
        List<Tree> ofSecond = children(there, second);
        if (ofFirst.size() != ofSecond.size() || !(first instanceof IdentifierTree) && !own(code, first, ofFirst)
                .equals(own(there, second, ofSecond))) {
            return false;
        }
        for (int i = 0; i < ofFirst.size(); i++) {
            if (!matches(new TreePath(left, ofFirst.get(i)), new TreePath(right, ofSecond.get(i)))) {
                return false;
            }
        }
        pairs.put(first, right);
        return true;
    }

    /** The trees directly within a tree that stand in the text. */
    private static List<Tree> children(AttributedFile code, Tree tree) {
        List<Tree> found = new ArrayList<>();
        tree.accept(new TreeScanner<Void, Void>() {
            @Override
            public Void scan(Tree child, Void unused) {
                if (child != null && code.find(child).isPresent()) {
                    found.add(child);
                }
                return null;
            }
        }, null);
        return found;
    }

    /** The tokens that belong to a tree and to none within it; the name of a variable is not compared. */
    private static List<String> own(AttributedFile code, Tree tree, List<Tree> children) {
        Tokens tokens = code.tokens();
        Range range = code.range(tree);
        List<Range> inner = children.stream().map(code::range).toList();
        List<String> found = new ArrayList<>();
        for (int i = tokens.code(tokens.at(range.start())); i < tokens.count()
                && tokens.start(i) < range.end(); i = tokens.code(i + 1)) {
            int start = tokens.start(i);
            boolean isName = tree instanceof VariableTree variable && tokens.kind(i) == TokenKind.IDENTIFIER
                    && variable.getName().contentEquals(tokens.name(i));
            if (!isName && inner.stream().noneMatch(child -> child.contains(start))) {
                found.add(tokens.text(i));
            }
        }
        return found;
    }

    private boolean isSameElement(TreePath left, TreePath right) {
        Tree tree = left.getLeaf();
        boolean isName = tree instanceof IdentifierTree || tree instanceof MemberSelectTree
                || tree instanceof VariableTree
                || tree instanceof NewClassTree || tree instanceof MemberReferenceTree;
        if (!isName) {
            return true;
        }
        Optional<Element> first = code.element(left);
        Optional<Element> second = there.element(right);
        if (first.isEmpty() || second.isEmpty()) {
            return first.isEmpty() && second.isEmpty() && code.text(tree).equals(there.text(right.getLeaf()));
        }
        boolean areLocal = isLocal(first.get()) && isLocal(second.get());
        return areLocal ? areOne(first.get(), second.get()) : code.key(first.get()).equals(there.key(second.get()));
    }

    private static boolean isLocal(Element element) {
        return element instanceof VariableElement && !element.getKind().isField();
    }

    /** Whether one variable stands for the other all along. */
    private boolean areOne(Element first, Element second) {
        boolean isKnown = variables.containsKey(first) || variables.containsValue(second);
        if (isKnown) {
            return second.equals(variables.get(first));
        }
        variables.put(first, second);
        return code.types().isSameType(first.asType(), second.asType());
    }

    /** Whether two values may differ, because they can as well be computed before everything else. */
    private boolean mayVary(TreePath left, TreePath right) {
        if (!(left.getLeaf() instanceof ExpressionTree) || !(right.getLeaf() instanceof ExpressionTree)
                || !SelectedExpression.isValue(code, left) || !SelectedExpression.isValue(there, right)) {
            return false;
        }
        Optional<TypeMirror> type = code.type(left);
        boolean isOneType = type.isPresent() && there.type(right)
                .filter(other -> code.types().isSameType(other, type.get())).isPresent();
        return isOneType && !isNarrowed(left) && isFixed(code, left, one.range()) && isFixed(there, right, otherRange);
    }

    /** Whether a constant is made narrower where it stands, which another value would not be (JLS 5.2). */
    private boolean isNarrowed(TreePath value) {
        TreePath parent = value.getParentPath();
        boolean decidesType = TreePaths.outer(value).getLeaf() instanceof ConditionalExpressionTree choice
                && TreePaths.inner(choice.getCondition()) != value.getLeaf()
                && code.type(value).filter(type -> type.getKind().isPrimitive()).isPresent();
        if (decidesType) {
            // a constant that fits takes the type of the other branch, a variable does not (JLS 15.25.2)
            return true;
        }
        Optional<TypeMirror> target;
        if (parent.getLeaf() instanceof NewArrayTree) {
            target = code.type(parent).filter(type -> type instanceof ArrayType)
                    .map(type -> ((ArrayType) type).getComponentType());
        } else if (parent.getLeaf() instanceof VariableTree) {
            target = code.element(parent).map(Element::asType);
        } else if (parent.getLeaf() instanceof AssignmentTree set) {
            target = code.type(new TreePath(parent, set.getVariable()));
        } else {
            target = Optional.empty();
        }
        return target.filter(type -> code.type(value).filter(own -> own.getKind().isPrimitive()
                && !code.types().isSameType(own, type) && !code.types().isSubtype(own, type)).isPresent()).isPresent();
    }

    private boolean isFixed(AttributedFile in, TreePath value, Range around) {
        Effects own = in.effects(value);
        return own.isPure() && !own.isFresh() && !(own.readsState() && effects.writesState())
                && own.readsLocals().stream().noneMatch(local -> written.contains(local) || variables.entrySet()
                        .stream()
                        .anyMatch(pair -> pair.getValue().equals(local) && written.contains(pair.getKey())))
                && own.readsLocals().stream().noneMatch(local -> in.key(local) instanceof SymbolKey.Local key
                        && around.contains(key.offset()));
    }
}
