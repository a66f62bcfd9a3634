package main

import (
	"encoding/json"
	"fmt"
	"io"
	"os"
	"strings"

	"github.com/spf13/cobra"

	"vineswap/core/crowd"
	"vineswap/core/place"
	"vineswap/core/say"
)

// ofTens is the JSON that `tens --json` promises to scripts.
type ofTens struct {
	Value    place.Number `json:"value"`
	Tens     int          `json:"tens"` // how many there are in all
	Ones     int          `json:"ones"` // that are in no ten
	Expanded string       `json:"expanded"`
	Words    string       `json:"words"`
}

// mostTens is how far `tens` goes.
const mostTens = 100

func tensCommand() *cobra.Command {
	var asJSON bool
	cmd := &cobra.Command{
		Use:   "tens 43",
		Short: "Say a number from 0 to 100 in tens and ones, in its parts and in words",
		RunE: func(cmd *cobra.Command, args []string) error {
			if err := exactly(1, `tens takes one number from 0 to 100, such as "43"`)(cmd, args); err != nil {
				return err
			}
			n, err := place.ParseNumber(args[0])
			if err != nil {
				return usageError{fmt.Errorf("%q: %w", args[0], err)}
			}
			if n > mostTens {
				return usageError{fmt.Errorf("tens takes a number from 0 to %d, not %d", mostTens, n)}
			}
			return writeTens(cmd.OutOrStdout(), n, asJSON)
		},
	}
	cmd.Flags().BoolVar(&asJSON, "json", false, "print JSON")
	return cmd
}

func writeTens(out io.Writer, n place.Number, asJSON bool) error {
	parts := make([]string, 0, 2)
	for _, part := range n.Expanded() {
		parts = append(parts, part.String())
	}
	if len(parts) == 0 {
		parts = append(parts, "0")
	}
	made := ofTens{n, int(n) / 10, int(n) % 10, strings.Join(parts, " + "), say.Words{}.Number(n)}
	if asJSON {
		return json.NewEncoder(out).Encode(made)
	}
	_, err := fmt.Fprintf(out, "%d is %s: %s, %s\n", n, made.Words, say.Words{}.Units(made.Tens, made.Ones), made.Expanded)
	return err
}

// crowded is the JSON that `crowd --json` promises to scripts: px, from the left and from
// above.
type crowded struct {
	Width  float64      `json:"width"`
	Height float64      `json:"height"`
	Things []crowdThing `json:"things"`
	Rings  [][]int      `json:"rings"`
}

type crowdThing struct {
	X float64 `json:"x"`
	Y float64 `json:"y"`
	R float64 `json:"r"`
}

func crowdCommand() *cobra.Command {
	var asJSON, rows bool
	var seed uint64
	var svg string
	cmd := &cobra.Command{
		Use:   "crowd 43",
		Short: "Scatter things to be counted, and say which ten are ringed together",
		RunE: func(cmd *cobra.Command, args []string) error {
			if err := exactly(1, `crowd takes one number from 1 to 100, such as "43"`)(cmd, args); err != nil {
				return err
			}
			n, err := place.ParseNumber(args[0])
			if err != nil {
				return usageError{fmt.Errorf("%q: %w", args[0], err)}
			}
			lay := func() (crowd.Crowd, error) { return crowd.Lay(int(n), seed) }
			if rows {
				lay = func() (crowd.Crowd, error) { return crowd.Rows(int(n)) }
			}
			c, err := lay()
			if err != nil {
				return usageError{err}
			}
			if svg != "" {
				if err := os.WriteFile(svg, []byte(crowdSVG(c)), 0o644); err != nil {
					return fmt.Errorf("--svg: %w", err)
				}
			}
			return writeCrowd(cmd.OutOrStdout(), c, asJSON)
		},
	}
	cmd.Flags().BoolVar(&asJSON, "json", false, "print JSON")
	cmd.Flags().BoolVar(&rows, "rows", false, "in rows of ten instead of scattered")
	cmd.Flags().Uint64Var(&seed, "seed", 1, "a whole number; the same seed scatters the same crowd")
	cmd.Flags().StringVar(&svg, "svg", "", "a file to draw the crowd into, with its rings")
	return cmd
}

func writeCrowd(out io.Writer, c crowd.Crowd, asJSON bool) error {
	if !asJSON {
		_, err := fmt.Fprintf(out, "%s, %d rings of ten, %d left over\n", say.Things(len(c.Things)), len(c.Rings), len(c.Things)%10)
		return err
	}
	made := crowded{crowd.Width, crowd.Height, []crowdThing{}, [][]int{}}
	for _, t := range c.Things {
		made.Things = append(made.Things, crowdThing(t))
	}
	made.Rings = append(made.Rings, c.Rings...)
	return json.NewEncoder(out).Encode(made)
}

// crowdSVG draws a crowd with its rings and the 10 at each.
func crowdSVG(c crowd.Crowd) string {
	var b strings.Builder
	fmt.Fprintf(&b, `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 %g %g" font-family="Andika, sans-serif">`+"\n", crowd.Width, crowd.Height)
	for k, ring := range c.Rings {
		var spots []crowd.Spot
		for _, i := range ring {
			spots = append(spots, crowd.Spot{X: c.Things[i].X, Y: c.Things[i].Y})
		}
		points := make([]string, 0, len(spots))
		for _, s := range crowd.Hull(spots) {
			points = append(points, fmt.Sprintf("%.1f,%.1f", s.X, s.Y))
		}
		fmt.Fprintf(&b, `<polygon points="%s" fill="none" stroke="#2f6b45" stroke-width="%.1f" stroke-linejoin="round"/>`+"\n", strings.Join(points, " "), 2*c.Ring())
		fmt.Fprintf(&b, `<polygon points="%s" fill="#fff" stroke="#fff" stroke-width="%.1f" stroke-linejoin="round"/>`+"\n", strings.Join(points, " "), 2*c.Ring()-5)
		fmt.Fprintf(&b, `<text x="%.1f" y="%.1f" text-anchor="middle" dominant-baseline="central" font-size="30" font-weight="700" fill="#145a5e">10</text>`+"\n", c.Tens[k].X, c.Tens[k].Y)
	}
	for _, t := range c.Things {
		fmt.Fprintf(&b, `<circle cx="%.1f" cy="%.1f" r="%.1f" fill="#e9a81f" stroke="#7a5200" stroke-width="1.5"/>`+"\n", t.X, t.Y, t.R*0.9)
	}
	b.WriteString("</svg>\n")
	return b.String()
}
