package dev.deftchisel.operation;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.TypeCastTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.lang.model.SourceVersion;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeMirror;

/**
 * Good names for a value: after the method it comes from, the parameter it is passed to, its type. None is one that
 * stands in the file already, so that none is captured.
 */
public final class NameProposals {

    /** What methods begin with that says how a value is had, not what it is. */
    private static final Pattern VERB = Pattern.compile(
            "(?:get|is|has|to|as|of|find|create|make|build|new|compute|calculate|read|load|parse|next|"
            + "current)(?=\\p{Lu})(.*)");

    /** Names of methods that say nothing else. */
    private static final Pattern ONLY_HOW = Pattern.compile("of|get|valueOf|copyOf|create|make|build|parse|apply|call");

    /** Names of parameters that only say that there is something. */
    private static final Pattern SAYS_NOTHING =
            Pattern.compile("value|val|o|obj|object|arg\\d*|[a-z]|item|element|input|data");

    private static final Pattern MANY = Pattern.compile("(\\w*)(Collection|List|Set|Queue|Deque|Iterable|Stream)");
    private static final Pattern BOXES = Pattern
            .compile("Boolean|Byte|Short|Integer|Long|Float|Double|Character|Object");

    private final AttributedFile code;
    private final Set<String> taken;

    /** Names for the file itself. */
    public NameProposals(AttributedFile code) {
        this(code, Set.of());
    }

    /** Names for where no name is taken, such as the parameters of a new method. */
    public static NameProposals elsewhere(AttributedFile code) {
        NameProposals proposals = new NameProposals(code);
        proposals.taken.clear();
        return proposals;
    }

    /** @param alsoTaken names that are about to be given */
    public NameProposals(AttributedFile code, Set<String> alsoTaken) {
        this.code = code;
        this.taken = variableNames(code.tokens());
        taken.addAll(alsoTaken);
    }

    /** All names but those that are called as methods, which variables do not disturb. */
    private static Set<String> variableNames(Tokens tokens) {
        Set<String> names = new HashSet<>();
        for (int i = 0; i < tokens.count(); i++) {
            int next = tokens.code(i + 1);
            if (tokens.kind(i) == TokenKind.IDENTIFIER && !(next < tokens.count() && tokens.is(next, '('))) {
                names.add(tokens.name(i));
            }
        }
        return names;
    }

    /** The same for a constant, in capitals; that of a text is what the text says. */
    public List<String> ofConstant(TreePath expression) {
        Set<String> wishes = new LinkedHashSet<>();
        if (expression.getLeaf() instanceof LiteralTree literal && literal.getValue() instanceof String text) {
            String words = text.replaceAll("[^\\p{L}\\p{N}]+", "_").replaceAll("^_+|_+$", "");
            if (words.matches("\\p{L}.{0,29}")) {
                wishes.add(words.toUpperCase(Locale.ROOT));
            }
        }
        of(expression).forEach(name -> wishes.add(inCapitals(name)));
        List<String> free = new ArrayList<>();
        wishes.forEach(wish -> free.add(NewName.free(code.tokens().names(), wish)));
        return free;
    }

    /** A name as constants have theirs (JLS 6.1): {@code BERTH_LENGTH}. */
    public static String inCapitals(String name) {
        return name.replaceAll("(?<=[\\p{Ll}\\p{N}])(?=\\p{Lu})", "_").toUpperCase(Locale.ROOT);
    }

    /** At least one name, best first. */
    public List<String> of(TreePath expression) {
        Set<String> wishes = new LinkedHashSet<>();
        fromCode(expression, wishes);
        fromParameter(expression, wishes);
        code.type(expression).ifPresent(type -> fromType(type, wishes));
        wishes.add("value");
        List<String> free = new ArrayList<>();
        for (String wish : wishes) {
            String name = NewName.free(taken, wish);
            if (!free.contains(name)) {
                free.add(name);
            }
        }
        return free;
    }

    private void fromCode(TreePath path, Set<String> wishes) {
        ExpressionTree tree = (ExpressionTree) path.getLeaf();
        if (tree instanceof MethodInvocationTree call) {
            ExpressionTree method = call.getMethodSelect();
            String name;
            if (method instanceof MemberSelectTree select) {
                name = select.getIdentifier().toString();
            } else if (method instanceof IdentifierTree simple) {
                name = simple.getName().toString();
            } else {
                name = "";
            }
            Matcher verb = VERB.matcher(name);
            if (!ONLY_HOW.matcher(name).matches()) {
                wishes.add(decapitalised(verb.matches() ? verb.group(1) : name));
            }
        } else if (tree instanceof MemberSelectTree select && !select.getIdentifier().contentEquals("class")) {
            wishes.add(fromConstant(select.getIdentifier().toString()));
        } else if (tree instanceof IdentifierTree simple && !simple.getName().contentEquals("this")) {
            wishes.add(fromConstant(simple.getName().toString()));
        } else if (tree instanceof NewClassTree || tree instanceof LiteralTree) {
            return;
        } else if (tree instanceof TypeCastTree cast) {
            fromCode(new TreePath(path, cast.getExpression()), wishes);
        } else {
            String word = switch (tree.getKind()) {
                case PLUS -> code.type(path).filter(type -> type.getKind().isPrimitive()).map(type -> "sum").orElse("");
                case MINUS -> "difference";
                case MULTIPLY -> "product";
                case DIVIDE -> "quotient";
                case REMAINDER -> "remainder";
                case ARRAY_ACCESS -> "element";
                default -> "";
            };
            if (!word.isEmpty()) {
                wishes.add(word);
            }
        }
        wishes.remove("");
    }

    private void fromParameter(TreePath expression, Set<String> wishes) {
        TreePath parent = expression.getParentPath();
        List<? extends ExpressionTree> arguments;
        if (parent.getLeaf() instanceof MethodInvocationTree call) {
            arguments = call.getArguments();
        } else if (parent.getLeaf() instanceof NewClassTree made) {
            arguments = made.getArguments();
        } else {
            arguments = List.of();
        }
        if (!arguments.isEmpty() && code.element(parent).orElse(null) instanceof ExecutableElement method) {
            int index = arguments.indexOf(expression.getLeaf());
            if (index >= 0 && index < method.getParameters().size()) {
                String name = method.getParameters().get(index).getSimpleName().toString();
                if (SAYS_NOTHING.matcher(name).matches()) {
                    // what the object is for says more than what it is made from
                    fromParameter(parent, wishes);
                }
                // class files without parameter names number them
                if (!name.matches("arg\\d+")) {
                    wishes.add(name);
                }
            }
        }
    }

    /** A name that only a type tells. */
    public static String ofType(TypeMirror type) {
        Set<String> wishes = new LinkedHashSet<>();
        fromType(type, wishes);
        return wishes.stream().findFirst().orElse("value");
    }

    /** The usual plural of an English noun. */
    public static String many(String name) {
        if (name.matches(".*(s|x|z|ch|sh)")) {
            return name + "es";
        }
        return name.matches(".*[^aeiou]y") ? name.substring(0, name.length() - 1) + "ies" : name + "s";
    }

    private static void fromType(TypeMirror type, Set<String> wishes) {
        // what holds several of a sort is called after these
        if (type instanceof DeclaredType several && MANY.matcher(several.asElement().getSimpleName()).matches()
                && several.getTypeArguments().size() == 1 && several.getTypeArguments()
                .get(0) instanceof DeclaredType one
                && !one.asElement().getSimpleName().contentEquals("String")
                && !BOXES.matcher(one.asElement().getSimpleName()).matches()) {
            wishes.add(many(decapitalised(one.asElement().getSimpleName().toString())));
        }
        if (type instanceof DeclaredType declared) {
            String name = declared.asElement().getSimpleName().toString();
            if (!name.isEmpty()) {
                wishes.add(name.equals("String") ? "text" : decapitalised(name));
            }
        } else if (type instanceof ArrayType array) {
            wishes.add(array.getComponentType() instanceof DeclaredType declared
                    ? many(decapitalised(declared.asElement().getSimpleName().toString()))
                    : NamedTypes.shown(array.getComponentType()).substring(0, 1).toLowerCase(Locale.ROOT) + "s");
        } else if (type.getKind().isPrimitive()) {
            wishes.add(switch (type.getKind()) {
                case BOOLEAN -> "condition";
                case CHAR -> "character";
                default -> "number";
            });
        }
    }

    private static String fromConstant(String name) {
        if (!name.equals(name.toUpperCase(Locale.ROOT))) {
            return name;
        }
        StringBuilder words = new StringBuilder();
        for (String word : name.split("_")) {
            String small = word.toLowerCase(Locale.ROOT);
            words.append(words.length() == 0 || small.isEmpty() ? small
                    : Character.toUpperCase(small.charAt(0)) + small.substring(1));
        }
        // what begins with a digit after its underscore is no name
        return SourceVersion.isIdentifier(words) ? words.toString() : "";
    }

    /** As JavaBeans does it: the first letter small, unless the first two are capitals. */
    private static String decapitalised(String name) {
        if (name.length() > 1 && Character.isUpperCase(name.charAt(1)) && Character.isUpperCase(name.charAt(0))) {
            int end = 0;
            while (end < name.length() && Character.isUpperCase(name.charAt(end))) {
                end++;
            }
            int small = end == name.length() ? end : end - 1;
            return name.substring(0, small).toLowerCase(Locale.ROOT) + name.substring(small);
        }
        return name.isEmpty() ? name : Character.toLowerCase(name.charAt(0)) + name.substring(1);
    }
}
