import good from './samples/good.jpg'
import sheeting from './samples/sheeting.jpg'
import tight from './samples/tight.jpg'
import weak from './samples/weak.jpg'

/** Drawn by the program (database/demo/Darkroom), with angles that are known. */
export const samples = [
  { name: 'a fresh topper', url: tight },
  { name: 'a good one', url: good },
  { name: 'a tired one', url: weak },
  { name: 'a sheeting one', url: sheeting },
]
