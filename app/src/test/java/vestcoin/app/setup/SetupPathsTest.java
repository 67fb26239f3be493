package vestcoin.app.setup;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.JavacTask;
import com.sun.source.util.TreeScanner;
import java.io.IOException;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.lang.reflect.WildcardType;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.tools.JavaFileObject;
import javax.tools.SimpleJavaFileObject;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.Test;
import vestcoin.core.setup.Setup;

/**
 * Every path into a setup that the code writes leads somewhere in the records: a component renamed or taken away fails
 * here, with the file that still names it. The desk's paths are typed by its compiler instead.
 */
class SetupPathsTest {
    /** Something only known when the code runs: an id, a key of a map, or steps that are put together elsewhere. */
    private static final String OPEN = SetupTypes.ANY;

    private static final Path CORE = Path.of("..", "core", "src", "main", "java");
    private static final Path APP = Path.of("src", "main", "java");

    private static final Set<String> STATIONS = Arrays.stream(Setup.class.getRecordComponents())
            .map(RecordComponent::getName)
            .collect(Collectors.toSet());

    @Test
    void every_path_leads_somewhere() throws IOException {
        List<String> paths = new ArrayList<>();
        List<String> wrong = new ArrayList<>();
        List<Path> files = sources();
        List<String> codes = new ArrayList<>();
        for (Path file : files) {
            codes.add(Files.readString(file));
        }
        List<List<String>> written = written(codes);
        for (int i = 0; i < files.size(); i++) {
            // What goes on from a parameter is a setup's path in core; outside it may be an address.
            boolean core = files.get(i).startsWith(CORE);
            for (String path : written.get(i)) {
                if (path.startsWith(OPEN) && !core) {
                    continue;
                }
                paths.add(path);
                if (!leads(path)) {
                    wrong.add(files.get(i).getFileName() + ": " + path);
                }
            }
        }
        assertThat(wrong).isEmpty();
        assertThat(paths).as("so many are looked at").hasSizeGreaterThan(250);
    }

    @Test
    void a_planted_path_is_found() {
        String code = """
                class Planted {
                    void check(String id, String under) {
                        String path = "goods/products/" + id;
                        say("delivery/zones/" + id + "/rates/" + under, path + "/prize", "taxes/places");
                        say(path + "/sending/size", "terms/colour", under + "/nothing");
                        say("payment/methods/" + id + "/kind");
                    }
                }""";
        assertThat(written(List.of(code)).get(0).stream()
                        .filter(path -> !leads(path))
                        .toList())
                .containsExactly("goods/products/*/prize", "terms/colour", "*/nothing");
    }

    private static List<Path> sources() throws IOException {
        List<Path> files = new ArrayList<>();
        for (Path module : List.of(CORE, APP)) {
            try (Stream<Path> found = Files.walk(module)) {
                found.filter(file -> file.toString().endsWith(".java")).forEach(files::add);
            }
        }
        return files;
    }

    /** The paths each file writes, with what is open in them marked. One compiler reads them all. */
    private static List<List<String>> written(List<String> codes) {
        List<JavaFileObject> sources = new ArrayList<>();
        for (int i = 0; i < codes.size(); i++) {
            String code = codes.get(i);
            sources.add(
                    new SimpleJavaFileObject(
                            URI.create("string:///" + i + "/Source.java"), JavaFileObject.Kind.SOURCE) {
                        @Override
                        public CharSequence getCharContent(boolean ignoreEncodingErrors) {
                            return code;
                        }
                    });
        }
        JavacTask task = (JavacTask) ToolProvider.getSystemJavaCompiler()
                .getTask(null, null, diagnostic -> {}, List.of("-proc:none"), null, sources);
        List<List<String>> all = new ArrayList<>();
        try {
            for (CompilationUnitTree unit : task.parse()) {
                Written written = new Written();
                written.scan(unit, null);
                all.add(written.paths);
            }
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        return all;
    }

    /** Collects what texts put together of literals and other things begin as a path, or go on from one. */
    private static final class Written extends TreeScanner<Void, Void> {
        private final List<String> paths = new ArrayList<>();
        private final Deque<Map<String, String>> variables = new ArrayDeque<>(List.of(new HashMap<>()));

        @Override
        public Void visitMethod(MethodTree method, Void nothing) {
            variables.push(new HashMap<>());
            super.visitMethod(method, nothing);
            variables.pop();
            return null;
        }

        @Override
        public Void visitVariable(VariableTree variable, Void nothing) {
            super.visitVariable(variable, nothing);
            if (variable.getInitializer() != null) {
                String text = text(variable.getInitializer());
                if (isPath(text)) {
                    variables.peek().put(variable.getName().toString(), text);
                }
            }
            return null;
        }

        @Override
        public Void visitBinary(BinaryTree binary, Void nothing) {
            if (binary.getKind() == Tree.Kind.PLUS) {
                String text = text(binary);
                if (isPath(text)) {
                    paths.add(text);
                    return null;
                }
            }
            return super.visitBinary(binary, nothing);
        }

        @Override
        public Void visitLiteral(LiteralTree literal, Void nothing) {
            String text = text(literal);
            if (isPath(text)) {
                paths.add(text);
            }
            return null;
        }

        private String text(ExpressionTree tree) {
            if (tree instanceof ParenthesizedTree inner) {
                return text(inner.getExpression());
            }
            if (tree instanceof LiteralTree literal && literal.getValue() instanceof String value) {
                return value;
            }
            if (tree instanceof BinaryTree binary && binary.getKind() == Tree.Kind.PLUS) {
                return text(binary.getLeftOperand()) + text(binary.getRightOperand());
            }
            if (tree instanceof IdentifierTree name) {
                return variables.stream()
                        .map(scope -> scope.get(name.getName().toString()))
                        .filter(known -> known != null)
                        .findFirst()
                        .orElse(OPEN);
            }
            return OPEN;
        }

        private static boolean isPath(String text) {
            return text.matches("(" + String.join("|", STATIONS) + ")/.*") && text.matches("[A-Za-z0-9/.*-]+")
                    || text.matches("\\*(/[a-z][A-Za-z]*)+");
        }
    }

    private static boolean leads(String path) {
        List<String> steps = List.of(path.split("/"));
        return steps.get(0).equals(OPEN)
                ? everything().stream()
                        .filter(type -> type instanceof Class<?> raw && raw.isRecord())
                        .anyMatch(type -> SetupTypes.at(type, steps.subList(1, steps.size()))
                                .isPresent())
                : SetupTypes.at(path).isPresent();
    }

    /** All a setup is made of, wherever it stands. */
    private static Set<Type> everything() {
        Set<Type> found = new LinkedHashSet<>();
        collect(Setup.class, found);
        return found;
    }

    private static void collect(Type type, Set<Type> found) {
        if (!found.add(type)) {
            return;
        }
        if (type instanceof WildcardType wild) {
            collect(wild.getUpperBounds()[0], found);
        } else if (type instanceof ParameterizedType generic) {
            Arrays.stream(generic.getActualTypeArguments()).forEach(of -> collect(of, found));
        } else if (type instanceof Class<?> raw && raw.isSealed()) {
            Arrays.stream(raw.getPermittedSubclasses()).forEach(one -> collect(one, found));
        } else if (type instanceof Class<?> raw && raw.isRecord()) {
            Arrays.stream(raw.getRecordComponents()).forEach(part -> collect(part.getGenericType(), found));
        }
    }
}
