package sheet

import "vineswap/core/hue"

// outlines are the things of a crowd, in the order of say.ThingOf: an apple, a pear, a bee, a
// flower pot, a bean, a leaf. Each lies in a circle of radius 1 around its middle; a part of a
// curve has two handles and an end.
var outlines = [][]Path{
	{ // an apple with its stalk
		{Closed: true, Points: []Point{{0, -0.45}, {0.3, -0.75}, {0.95, -0.6}, {0.85, 0.05}, {0.8, 0.6}, {0.4, 0.95}, {0, 0.75}, {-0.4, 0.95}, {-0.8, 0.6}, {-0.85, 0.05}, {-0.95, -0.6}, {-0.3, -0.75}, {0, -0.45}}},
		{Points: []Point{{0, -0.45}, {0, -0.65}, {0.1, -0.85}, {0.25, -0.95}}},
	},
	{ // a pear
		{Closed: true, Points: []Point{{0, -0.7}, {0.5, -0.7}, {0.2, -0.2}, {0.5, 0.15}, {0.95, 0.6}, {0.5, 0.95}, {0, 0.9}, {-0.5, 0.95}, {-0.95, 0.6}, {-0.5, 0.15}, {-0.2, -0.2}, {-0.5, -0.7}, {0, -0.7}}},
		{Points: []Point{{0, -0.7}, {0, -0.8}, {0.1, -0.9}, {0.2, -0.98}}},
	},
	{ // a bee: its body, two stripes, a wing
		{Closed: true, Points: []Point{{-0.8, 0.2}, {-0.8, -0.35}, {0.8, -0.35}, {0.8, 0.2}, {0.8, 0.75}, {-0.8, 0.75}, {-0.8, 0.2}}},
		{Points: []Point{{-0.2, -0.2}, {-0.05, 0.1}, {-0.05, 0.35}, {-0.2, 0.6}}},
		{Points: []Point{{0.2, -0.2}, {0.35, 0.1}, {0.35, 0.35}, {0.2, 0.6}}},
		{Closed: true, Points: []Point{{0, -0.2}, {-0.6, -0.4}, {-0.5, -0.95}, {-0.1, -0.9}, {0.2, -0.85}, {0.2, -0.4}, {0, -0.2}}},
	},
	{ // a flower pot
		{Closed: true, Straight: true, Points: []Point{{-0.8, -0.8}, {0.8, -0.8}, {0.8, -0.45}, {0.65, -0.45}, {0.5, 0.85}, {-0.5, 0.85}, {-0.65, -0.45}, {-0.8, -0.45}}},
		{Straight: true, Points: []Point{{-0.65, -0.45}, {0.65, -0.45}}},
	},
	{ // a bean
		{Closed: true, Points: []Point{{-0.75, -0.1}, {-0.75, -0.8}, {-0.1, -0.75}, {0, -0.35}, {0.1, -0.75}, {0.75, -0.8}, {0.75, -0.1}, {0.75, 0.55}, {0.3, 0.75}, {0, 0.75}, {-0.3, 0.75}, {-0.75, 0.55}, {-0.75, -0.1}}},
	},
	{ // a leaf with its rib
		{Closed: true, Points: []Point{{-0.8, 0.75}, {-0.9, -0.2}, {-0.2, -0.85}, {0.8, -0.8}, {0.85, 0.2}, {0.2, 0.85}, {-0.8, 0.75}}},
		{Points: []Point{{-0.8, 0.75}, {-0.3, 0.3}, {0.1, -0.1}, {0.4, -0.4}}},
	},
}

// thing draws one of the things around a point.
func thing(page *Page, nth int, at Point, r float64) {
	for _, o := range outlines[nth%len(outlines)] {
		points := make([]Point, len(o.Points))
		for i, q := range o.Points {
			points[i] = Point{at.X + r*q.X, at.Y + r*q.Y}
		}
		page.add(Path{Points: points, Straight: o.Straight, Closed: o.Closed, Breadth: 0.35, Ink: Black, Fill: whiteIf(o.Closed)})
	}
}

func whiteIf(closed bool) hue.Colour {
	if closed {
		return White
	}
	return ""
}
