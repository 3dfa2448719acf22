package dev.deftchisel.analysis.value;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TypeCastTree;
import com.sun.source.tree.UnaryTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.symbol.NamedTypes;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/**
 * Which values an expression of whole numbers can have: interval analysis (Cousot and Cousot, 1977) over the operators
 * of one expression, without loops. Names and calls have all values of their type, unless whoever asks knows more of
 * them.
 */
public final class ValueRanges {

    private static final Map<String, ValueRange> PARTS_OF_TIME = Map.of(
            "getMonthValue", new ValueRange(1, 12), "getDayOfMonth", new ValueRange(1, 31), "getDayOfYear",
            new ValueRange(1, 366),
            "getHour", new ValueRange(0, 23), "getMinute", new ValueRange(0, 59), "getSecond", new ValueRange(0, 59),
            "getNano", new ValueRange(0, 999_999_999), "getYear", new ValueRange(-999_999_999, 999_999_999));
    private static final Set<String> POSITIONS = Set.of("indexOf", "lastIndexOf");
    private static final Set<String> SIGNS = Set.of("signum");

    private final AttributedFile code;
    private final Function<TreePath, Optional<ValueRange>> known;

    private ValueRanges(AttributedFile code, Function<TreePath, Optional<ValueRange>> known) {
        this.code = code;
        this.known = known;
    }

    /** The values of an expression; empty when it is none of whole numbers, or unknown. */
    public static Optional<ValueRange> of(AttributedFile code, TreePath path) {
        return of(code, path, name -> Optional.empty());
    }

    /**
     * The same, where more is known of some names and calls.
     *
     * @param known what is known of the expression at a path, at most what its type can hold
     */
    public static Optional<ValueRange> of(AttributedFile code, TreePath path,
            Function<TreePath, Optional<ValueRange>> known) {
        return new ValueRanges(code, known).range(path);
    }

    private Optional<ValueRange> range(TreePath path) {
        Optional<ValueRange> all = code.type(path).flatMap(this::ofType);
        if (all.isEmpty()) {
            return all;
        }
        Optional<ValueRange> narrow = Constants.value(code, path)
                .flatMap(value -> value instanceof Character c ? Optional.of((long) c)
                        : value instanceof Number number ? Optional.of(number.longValue()) : Optional.<Long>empty())
                .map(ValueRange::of)
                .or(() -> narrow(path));
        return narrow.filter(range -> range.isWithin(all.get())).or(() -> all);
    }

    private Optional<ValueRange> ofType(TypeMirror type) {
        if (type.getKind().isPrimitive()) {
            return ValueRange.of(type.getKind());
        }
        boolean isBox = NamedTypes.isOneOf(type,
                Set.of("java.lang.Byte", "java.lang.Short", "java.lang.Character", "java.lang.Integer",
                        "java.lang.Long"));
        return isBox ? ValueRange.of(code.types().unboxedType(type).getKind()) : Optional.empty();
    }

    private Optional<ValueRange> narrow(TreePath path) {
        Tree tree = path.getLeaf();
        if (tree instanceof ParenthesizedTree grouped) {
            return range(new TreePath(path, grouped.getExpression()));
        } else if (tree instanceof TypeCastTree cast) {
            return range(new TreePath(path, cast.getExpression()));
        } else if (tree instanceof ConditionalExpressionTree choice) {
            return range(new TreePath(path, choice.getTrueExpression()))
                    .flatMap(one -> range(new TreePath(path, choice.getFalseExpression())).map(one::or));
        } else if (tree instanceof UnaryTree minus && minus.getKind() == Tree.Kind.UNARY_MINUS) {
            return range(new TreePath(path, minus.getExpression())).flatMap(value -> ValueRange.of(0).minus(value));
        } else if (tree instanceof BinaryTree binary) {
            return range(new TreePath(path, binary.getLeftOperand()))
                    .flatMap(left -> range(new TreePath(path, binary.getRightOperand()))
                            .flatMap(right -> binary(binary.getKind(), left, right, code.type(path).orElseThrow()
                                    .getKind())));
        }
        return known.apply(path).or(() -> tree instanceof MethodInvocationTree call ? result(call, path)
                : tree instanceof MemberSelectTree select && isArrayLength(select, path) ? Optional.of(ValueRange.COUNT)
                : Optional.empty());
    }

    private static Optional<ValueRange> binary(Tree.Kind kind, ValueRange left, ValueRange right, TypeKind type) {
        boolean isOne = right.low() == right.high();
        return switch (kind) {
            case PLUS -> left.plus(right);
            case MINUS -> left.minus(right);
            case MULTIPLY -> left.times(right);
            case DIVIDE -> right.low() > 0 && isOne
                    ? Optional.of(new ValueRange(left.low() / right.low(), left.high() / right.low()))
                    : Optional.empty();
            case REMAINDER -> remainder(left, right);
            case AND -> masked(left, right);
            case OR, XOR -> left.isNatural() && right.isNatural()
                    ? Optional.of(new ValueRange(0, allBits(Math.max(left.high(), right.high())))) : Optional.empty();
            case RIGHT_SHIFT -> isOne && isDistance(right.low(), type)
                    ? Optional.of(new ValueRange(left.low() >> right.low(), left.high() >> right.low()))
                    : Optional.empty();
            case UNSIGNED_RIGHT_SHIFT -> isOne && isDistance(right.low(), type) && right.low() > 0
                    ? Optional.of(new ValueRange(0, (type == TypeKind.LONG ? -1L : 0xFFFF_FFFFL) >>> right.low()))
                    : Optional.empty();
            default -> Optional.empty();
        };
    }

    /** The sign of a remainder is that of the dividend (JLS 15.17.3). */
    private static Optional<ValueRange> remainder(ValueRange left, ValueRange right) {
        if (right.low() <= 0 && right.high() >= 0 || right.low() == Long.MIN_VALUE) {
            return Optional.empty();
        }
        long most = Math.max(Math.abs(right.low()), Math.abs(right.high())) - 1;
        return Optional.of(new ValueRange(left.isNatural() ? 0 : -most, left.high() <= 0 ? 0 : most));
    }

    /** What is masked with a number that is not negative has none of its other bits, nor a sign. */
    private static Optional<ValueRange> masked(ValueRange left, ValueRange right) {
        if (!left.isNatural() && !right.isNatural()) {
            return Optional.empty();
        }
        return Optional.of(new ValueRange(0, Math.min(left.isNatural() ? left.high() : Long.MAX_VALUE, right.isNatural()
                ? right.high() : Long.MAX_VALUE)));
    }

    private static long allBits(long highest) {
        return highest == 0 ? 0 : (Long.highestOneBit(highest) << 1) - 1;
    }

    private static boolean isDistance(long distance, TypeKind type) {
        return distance >= 0 && distance < (type == TypeKind.LONG ? Long.SIZE : Integer.SIZE);
    }

    private boolean isArrayLength(MemberSelectTree select, TreePath path) {
        return select.getIdentifier().contentEquals("length")
                && code.type(new TreePath(path, select.getExpression()))
                .filter(type -> type.getKind() == TypeKind.ARRAY).isPresent();
    }

    private Optional<ValueRange> result(MethodInvocationTree call, TreePath path) {
        String name = Calls.name(call);
        int arguments = call.getArguments().size();
        if (Calls.isOf(code, path, "java.util.Collection", "size", 0)
                || Calls.isOf(code, path, "java.util.Map", "size", 0)
                || Calls.isOf(code, path, "java.lang.CharSequence", "length", 0)
                || Calls.isOf(code, path, "java.lang.Enum", "ordinal", 0)) {
            return Optional.of(ValueRange.COUNT);
        } else if (POSITIONS.contains(name) && (Calls.isOf(code, path, "java.lang.String", name, arguments)
                || Calls.isOf(code, path, "java.util.List", name, arguments))) {
            return Optional.of(new ValueRange(-1, Integer.MAX_VALUE - 1));
        } else if (SIGNS.contains(name) && (Calls.isOf(code, path, "java.lang.Integer", name, arguments)
                || Calls.isOf(code, path, "java.lang.Long", name, arguments))) {
            return Optional.of(new ValueRange(-1, 1));
        }
        return Calls.isOf(code, path, "java.util.Random", "nextInt", 1)
                ? range(new TreePath(path, call.getArguments().get(0))).filter(bound -> bound.low() > 0)
                        .map(bound -> new ValueRange(0, bound.high() - 1))
                : Optional.ofNullable(PARTS_OF_TIME.get(name)).filter(part -> arguments == 0 && isOfTime(path));
    }

    private boolean isOfTime(TreePath call) {
        return Calls.method(code, call)
                .filter(method -> code.elements().getPackageOf(method).getQualifiedName().contentEquals("java.time"))
                .isPresent();
    }
}
